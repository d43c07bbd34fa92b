import { heavyEndpoint } from '../../../../server/index.ts';

/** How far each store is with its shelf tags for a day. */
export const GET = heavyEndpoint('shelves', { permission: 'see' });
