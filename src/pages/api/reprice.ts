import { heavyEndpoint, PROMOTION_BYTES } from '../../server/index.ts';

/** The regular prices that a worksheet would make anew; nothing is saved. */
export const POST = heavyEndpoint('reprice', { permission: 'plan', most: PROMOTION_BYTES });
