import Joi from 'joi';
import { endpoint, json, matchCodes, searchItems } from '../../server/index.ts';

const request = Joi.object<{ q: string }>({ q: Joi.string().trim().max(100).allow('').required() });

export const GET = endpoint({ permission: 'see', schema: request, from: 'query' }, async ({ app, input }) =>
  json(await searchItems(app, input.q)),
);

const codesRequest = Joi.object<{ codes: string[] }>({
  codes: Joi.array().items(Joi.string().min(1).max(200)).min(1).max(20_000).required(),
});

/** The items behind many numbers or barcodes at once. */
export const POST = endpoint({ permission: 'see', schema: codesRequest }, async ({ app, input }) =>
  json(await matchCodes(app, input.codes)),
);
