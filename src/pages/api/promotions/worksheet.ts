import { heavyEndpoint, PROMOTION_BYTES } from '../../../server/index.ts';

/** The lines of a worksheet that is being written; nothing is saved. */
export const POST = heavyEndpoint('worksheet', { permission: 'see', most: PROMOTION_BYTES });
