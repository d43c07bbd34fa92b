import { heavyEndpoint, PROMOTION_BYTES } from '../../../server/index.ts';

/** What would be wrong if a draft were approved as it stands. */
export const POST = heavyEndpoint('draft-findings', { permission: 'see', most: PROMOTION_BYTES });
