import Joi from 'joi';
import { endpoint, json, searchItems } from '../../server/index.ts';

const request = Joi.object<{ q: string }>({ q: Joi.string().trim().max(100).allow('').required() });

export const GET = endpoint({ permission: 'see', schema: request, from: 'query' }, async ({ app, input }) =>
  json(await searchItems(app, input.q)),
);
