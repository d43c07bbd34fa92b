import { cardAtTillRequest, shape } from '../../../contracts/index.ts';
import { failureReply, json, KB, now, readJson, terminalEndpoint } from '../../../server/index.ts';

/** Whose card is held out at a till. */
export const POST = terminalEndpoint(async ({ app, terminal, context }) => {
  const read = await readJson(context.request, 2 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(cardAtTillRequest, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  return json(await app.heavy.value('', 'cardAtTill', terminal, shaped.value.card, new Date(now())));
});
