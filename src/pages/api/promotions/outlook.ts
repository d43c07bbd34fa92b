import { heavyEndpoint, PROMOTION_BYTES } from '../../../server/index.ts';

/** What a draft would do to units, takings and margin, day by day. */
export const POST = heavyEndpoint('outlook', { permission: 'see', most: PROMOTION_BYTES });
