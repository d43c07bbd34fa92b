import { shape, vouchRequest } from '../../../contracts/index.ts';
import {
  failureReply,
  json,
  KB,
  now,
  readJson,
  terminalEndpoint,
  vouchAtTill,
} from '../../../server/index.ts';

/** What codes are that the till's price file does not list: one of a batch, or none. */
export const POST = terminalEndpoint(async ({ app, terminal, context }) => {
  const read = await readJson(context.request, 20 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(vouchRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  return json(await vouchAtTill(app, terminal, shaped.value.codes, now()));
});
