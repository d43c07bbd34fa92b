import Joi from 'joi';
import { endpoint, heavyEndpoint, json, PROMOTION_BYTES } from '../../../server/index.ts';

/** `?stores=s001,s002`: only those that count in one of these stores. */
const listRequest = Joi.object<{ stores?: string }>({ stores: Joi.string().max(20_000) });

export const GET = endpoint(
  { permission: 'see', schema: listRequest, from: 'query' },
  async ({ app, person, input }) =>
    json(await app.heavy.value(person.id, 'listPromotions', person, input.stores?.split(',') ?? null)),
);

export const POST = heavyEndpoint('new-promotion', { permission: 'plan', most: PROMOTION_BYTES });
