import { randomBytes } from 'node:crypto';
import { manyRequest } from '../../../contracts/index.ts';
import { changeMany, endpoint, now, outcomeReply, previewMany } from '../../../server/index.ts';

const letters = () => randomBytes(3).toString('hex');

/** One action on many promotions; `dry` only tells what it would do. */
export const POST = endpoint({ permission: 'plan', schema: manyRequest }, async ({ app, person, input }) => {
  const { dry = false, days = 0, ...rest } = input;
  const request = { ...rest, days };
  return dry
    ? outcomeReply(await previewMany(app, person, request, now(), letters))
    : outcomeReply(await changeMany(app, person, request, now(), letters));
});
