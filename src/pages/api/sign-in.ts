import { shape, signInRequest } from '../../contracts/index.ts';
import { enter, failureReply, guarded, KB, readJson } from '../../server/index.ts';

export const POST = guarded(async (context) => {
  const read = await readJson(context.request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(signInRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  return enter(context, shaped.value.email, shaped.value.password);
});
