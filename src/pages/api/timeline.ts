import { heavyEndpoint } from '../../server/index.ts';

/** The prices of an item across stores, or of a group of goods in one store, over time. */
export const GET = heavyEndpoint('timeline', { permission: 'see' });
