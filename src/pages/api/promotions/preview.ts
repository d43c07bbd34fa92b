import { previewRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply } from '../../../server/index.ts';
import { previewPromotion } from '../../../usecases/preview-promotion.ts';

export const POST = endpoint({ permission: 'see', schema: previewRequest }, async ({ app, person, input }) =>
  outcomeReply(
    await previewPromotion(app, person, { promotion: input.promotion, store: input.store ?? null }),
  ),
);
