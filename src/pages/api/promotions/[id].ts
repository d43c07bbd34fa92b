import { statusRequest } from '../../../contracts/index.ts';
import {
  endpoint,
  heavyEndpoint,
  openPromotion,
  outcomeReply,
  PROMOTION_BYTES,
  setPromotionStatus,
} from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person, context }) =>
  outcomeReply(await openPromotion(app, person, context.params.id!)),
);

export const PUT = heavyEndpoint('save-promotion', { permission: 'plan', most: PROMOTION_BYTES });

export const PATCH = endpoint(
  { permission: 'plan', schema: statusRequest },
  async ({ app, person, input, context }) =>
    outcomeReply(await setPromotionStatus(app, person, { id: context.params.id!, ...input })),
);
