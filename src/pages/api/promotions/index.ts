import Joi from 'joi';
import { savePromotionRequest } from '../../../contracts/index.ts';
import { endpoint, json, listPromotions, outcomeReply, savePromotion } from '../../../server/index.ts';

/** `?stores=s001,s002`: only those that count in one of these stores. */
const listRequest = Joi.object<{ stores?: string }>({ stores: Joi.string().max(20_000) });

export const GET = endpoint(
  { permission: 'see', schema: listRequest, from: 'query' },
  async ({ app, person, input }) => json(await listPromotions(app, person, input.stores?.split(',') ?? null)),
);

export const POST = endpoint(
  { permission: 'plan', schema: savePromotionRequest },
  async ({ app, person, input }) =>
    outcomeReply(await savePromotion(app, person, { promotion: input.promotion, revision: null }), 201),
);
