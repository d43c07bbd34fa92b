import { forgottenRequest, shape } from '../../contracts/index.ts';
import {
  app,
  failureReply,
  guarded,
  json,
  KB,
  log,
  readJson,
  sendForgotten,
  waitReply,
} from '../../server/index.ts';

/** Sends a link for a new password. Whether anybody has that address is told to nobody. */
export const POST = guarded(async ({ request, locals }) => {
  const read = await readJson(request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(forgottenRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const { tries } = app();
  const email = shaped.value.email.toLowerCase();
  const wait = await tries.begin(`forgotten ${email}`, locals.address, Date.now());
  if (wait > 0) return waitReply(wait);
  // Nobody waits for it: how long it takes would tell whether somebody has that address.
  void sendForgotten(app(), email).catch((err: unknown) => log.error({ err }, 'a link could not be sent'));
  return json({ ok: true });
});
