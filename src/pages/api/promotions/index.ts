import { savePromotionRequest } from '../../../contracts/index.ts';
import { endpoint, json, listPromotions, outcomeReply, savePromotion } from '../../../server/index.ts';

export const GET = endpoint({ permission: 'see' }, async ({ app, person }) =>
  json(await listPromotions(app, person)),
);

export const POST = endpoint(
  { permission: 'plan', schema: savePromotionRequest },
  async ({ app, person, input }) =>
    outcomeReply(await savePromotion(app, person, { promotion: input.promotion, revision: null }), 201),
);
