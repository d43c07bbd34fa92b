import { heavyEndpoint } from '../../../../server/index.ts';

/** All that is kept of somebody, for them to have. */
export const GET = heavyEndpoint('take-out-shopper', { permission: 'plan' });
