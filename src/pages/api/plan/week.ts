import { heavyEndpoint, KB } from '../../../server/index.ts';

/** What all promotions of a week would do, by department. Asked with a body, as many things may be assumed. */
export const POST = heavyEndpoint('week', { permission: 'see', most: 200 * KB });
