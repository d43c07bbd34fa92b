import Joi from 'joi';
import { endpoint, json } from '../../../server/index.ts';

const request = Joi.object<{ code: string }>({ code: Joi.string().min(1).max(200).required() });

/** Which promotions touch the item of a number or barcode. */
export const GET = endpoint(
  { permission: 'see', schema: request, from: 'query' },
  async ({ app, person, input }) =>
    json(await app.heavy.value(person.id, 'findTouching', person, input.code)),
);
