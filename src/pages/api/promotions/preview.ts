import { heavyEndpoint, PROMOTION_BYTES } from '../../../server/index.ts';

export const POST = heavyEndpoint('preview-promotion', { permission: 'see', most: PROMOTION_BYTES });
