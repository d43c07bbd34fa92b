import { codeRequest, shape } from '../../contracts/index.ts';
import { failureReply, guarded, KB, passSecondStep, readJson } from '../../server/index.ts';

/** The second step of a sign-in, for who was asked for a code. */
export const POST = guarded(async (context) => {
  const read = await readJson(context.request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(codeRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  return passSecondStep(context, shaped.value.code);
});
