import { joinRequest, shape } from '../../../contracts/index.ts';
import {
  app,
  failureReply,
  guarded,
  KB,
  now,
  outcomeReply,
  readJson,
  waitReply,
} from '../../../server/index.ts';

/** Somebody who need not be signed in asks to be let in to a kind of shopper. A code goes to the address they gave. */
export const POST = guarded(async ({ request, locals }) => {
  const read = await readJson(request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(joinRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const { tries, heavy } = app();
  const wait = await tries.begin(`join ${shaped.value.email.toLowerCase()}`, locals.address, Date.now());
  if (wait > 0) return waitReply(wait);
  return outcomeReply(await heavy.value('', 'askToJoin', shaped.value, new Date(now())), 201);
});
