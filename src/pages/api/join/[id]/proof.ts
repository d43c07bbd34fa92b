import { numberOfAddress, proofRequest, shape } from '../../../../contracts/index.ts';
import {
  app,
  failureReply,
  guarded,
  KB,
  now,
  outcomeReply,
  proveAddress,
  readJson,
  waitReply,
} from '../../../../server/index.ts';

/** The code out of the letter: whoever asked can be written to, and the request is seen from now on. */
export const POST = guarded(async ({ request, locals, params }) => {
  const read = await readJson(request, 2 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(proofRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const id = numberOfAddress(params.id ?? '');
  if (id === null) return failureReply({ kind: 'not-found', what: `request ${params.id}` });
  const wait = await app().tries.begin(`join ${id}`, locals.address, Date.now());
  if (wait > 0) return waitReply(wait);
  return outcomeReply(await proveAddress(app(), id, shaped.value, new Date(now())));
});
