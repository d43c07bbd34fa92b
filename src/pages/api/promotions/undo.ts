import { heavyEndpoint, KB } from '../../../server/index.ts';

/** Takes back what the person just did to many promotions. */
export const POST = heavyEndpoint('undo-many', { permission: 'plan', most: 200 * KB });
