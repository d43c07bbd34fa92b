import Joi from 'joi';
import { LANES_BY, type LanesBy } from '../../../contracts/index.ts';
import { endpoint, json, lookAtCalendar } from '../../../server/index.ts';

const request = Joi.object<{ by: LanesBy }>({ by: Joi.valid(...LANES_BY).required() });

/** Promotions in lanes, by store group or by department. */
export const GET = endpoint(
  { permission: 'see', schema: request, from: 'query' },
  async ({ app, person, input }) => json(await lookAtCalendar(app, person, input.by)),
);
