import Joi from 'joi';
import { endpoint, heavyEndpoint, json, KB } from '../../server/index.ts';

const request = Joi.object<{ q: string }>({ q: Joi.string().trim().max(100).allow('').required() });

export const GET = endpoint(
  { permission: 'see', schema: request, from: 'query' },
  async ({ app, person, input }) => json(await app.heavy.value(person.id, 'searchItems', input.q)),
);

/** The items behind many numbers or barcodes at once. */
export const POST = heavyEndpoint('codes', { permission: 'see', most: 600 * KB });
