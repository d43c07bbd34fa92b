import { heavyEndpoint } from '../../../../server/index.ts';

/** The shelf tags of a store for a day. */
export const GET = heavyEndpoint('tags', { permission: 'see' });
