import { statusRequest } from '../../../contracts/index.ts';
import {
  endpoint,
  heavyEndpoint,
  outcomeReply,
  PROMOTION_BYTES,
  setPromotionStatus,
} from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person, params }) =>
  outcomeReply(await app.heavy.value(person.id, 'openPromotion', person, params.id!)),
);

export const PUT = heavyEndpoint('save-promotion', { permission: 'plan', most: PROMOTION_BYTES });

export const PATCH = endpoint(
  { permission: 'plan', schema: statusRequest },
  async ({ app, person, input, params }) =>
    outcomeReply(await setPromotionStatus(app, person, { id: params.id!, ...input })),
);
