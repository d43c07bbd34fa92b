import Joi from 'joi';
import { type PageRequest, pageFields } from '../../../contracts/index.ts';
import { endpoint, heavyEndpoint, PROMOTION_BYTES, pagedReply } from '../../../server/index.ts';

/** `?stores=s001,s002`: only those that count in one of these stores. */
const listRequest = Joi.object<PageRequest & { stores?: string }>({
  stores: Joi.string().max(20_000),
  ...pageFields,
});

export const GET = endpoint(
  { permission: 'see', schema: listRequest, from: 'query' },
  async ({ app, person, input: { stores, ...page }, context }) => {
    const all = await app.heavy.value(person.id, 'listPromotions', person, stores?.split(',') ?? null);
    return pagedReply(all, page, context.url);
  },
);

export const POST = heavyEndpoint('new-promotion', { permission: 'plan', most: PROMOTION_BYTES });
