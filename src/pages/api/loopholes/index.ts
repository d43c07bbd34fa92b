import { heavyEndpoint } from '../../../server/index.ts';

/** The baskets of one store that leave the least. */
export const GET = heavyEndpoint('loopholes', { permission: 'see' });
