import Joi from 'joi';
import { calendarFile, endpoint } from '../../server/index.ts';

const request = Joi.object<{ stores?: string }>({ stores: Joi.string().max(20_000) });

/** The promotions for an ordinary calendar program. */
export const GET = endpoint(
  { permission: 'see', schema: request, from: 'query' },
  async ({ app, person, input }) =>
    new Response(await calendarFile(app, person, input.stores?.split(',') ?? null), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="promotions.ics"',
        'cache-control': 'no-store',
      },
    }),
);
