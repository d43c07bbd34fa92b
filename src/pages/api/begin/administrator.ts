import { firstAdministratorRequest, shape } from '../../../contracts/index.ts';
import {
  app,
  enter,
  failureReply,
  guarded,
  KB,
  log,
  makeFirstAdministrator,
  readJson,
  waitReply,
} from '../../../server/index.ts';

/** Makes the first administrator, for whoever holds the code of the console, and signs them in. */
export const POST = guarded(async (context) => {
  const read = await readJson(context.request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(firstAdministratorRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const { tries, environment } = app();
  const wait = await tries.begin('first administrator', context.locals.address, Date.now());
  if (wait > 0) return waitReply(wait);
  const made = await makeFirstAdministrator(app(), shaped.value, environment.demo);
  if (!made.ok) return failureReply(made.failure);
  log.warn({ who: made.value.email }, 'the first administrator was made');
  await tries.succeeded('first administrator', context.locals.address);
  return enter(context, made.value.email, shaped.value.password);
});
