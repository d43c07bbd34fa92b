import { heavyEndpoint } from '../../../server/index.ts';

/** What a change that waits makes of prices in one store. */
export const GET = heavyEndpoint('waiting-prices', { permission: 'see' });
