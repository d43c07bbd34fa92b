import Joi from 'joi';
import { answerReply, endpoint, heavyEndpoint, KB } from '../../server/index.ts';

const request = Joi.object<{ q: string; known?: string }>({
  q: Joi.string().trim().max(100).allow('').required(),
  known: Joi.string().max(60),
});

export const GET = endpoint(
  { permission: 'see', schema: request, from: 'query' },
  async ({ app, person, input }) =>
    answerReply(await app.heavy.value(person.id, 'searchItems', person, input)),
);

/** The items behind many numbers or barcodes at once. */
export const POST = heavyEndpoint('codes', { permission: 'see', most: 600 * KB });
