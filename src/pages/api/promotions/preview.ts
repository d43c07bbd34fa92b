import { previewRequest } from '../../../contracts/index.ts';
import { endpoint, outcomeReply, previewPromotion } from '../../../server/index.ts';

export const POST = endpoint({ permission: 'see', schema: previewRequest }, async ({ app, person, input }) =>
  outcomeReply(
    await previewPromotion(app, person, { promotion: input.promotion, store: input.store ?? null }),
  ),
);
