import { heavyEndpoint } from '../../server/index.ts';

/** What a till rang for an item at a moment, by the price file that it held. */
export const GET = heavyEndpoint('rung', { permission: 'see' });
