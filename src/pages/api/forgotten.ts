import { forgottenRequest, shape } from '../../contracts/index.ts';
import { app, failureReply, guarded, json, KB, readJson, waitReply } from '../../server/index.ts';

/** Sends a link for a new password. Whether anybody has that address is told to nobody. */
export const POST = guarded(async ({ request, locals }) => {
  const read = await readJson(request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(forgottenRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const { accounts, tries, people } = app();
  const email = shaped.value.email.toLowerCase();
  const wait = await tries.begin(`forgotten ${email}`, locals.address, Date.now());
  if (wait > 0) return waitReply(wait);
  const known = (await people.all()).find((one) => one.email.toLowerCase() === email);
  if (known && known.endedAt === null) await accounts.sendLink(known.email);
  return json({ ok: true });
});
