import Joi from 'joi';
import { shape } from '../../../contracts/index.ts';
import { app, failureReply, guarded, KB, ownPath, readJson } from '../../../server/index.ts';

const request = Joi.object<{ next?: string }>({ next: Joi.string().max(2_000) });

/** Where to go to be vouched for by the chain's own directory of people, if it has one. */
export const POST = guarded(async (context) => {
  const { directory } = app();
  if (!directory) return failureReply({ kind: 'not-found', what: 'a directory of people' });
  const read = await readJson(context.request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(request, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  return directory.begin(context, ownPath(shaped.value.next ?? null) ?? '/today');
});
