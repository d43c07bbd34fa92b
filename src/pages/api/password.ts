import { passwordRequest, shape } from '../../contracts/index.ts';
import { app, failureReply, guarded, KB, outcomeReply, readJson, setPassword } from '../../server/index.ts';

/** Sets a password by a link out of a letter; nobody has to be signed in. */
export const POST = guarded(async ({ request }) => {
  const read = await readJson(request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(passwordRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  return outcomeReply(await setPassword(app(), shaped.value));
});
