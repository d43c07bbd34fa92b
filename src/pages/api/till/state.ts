import { shape, terminalReport } from '../../../contracts/index.ts';
import {
  failureReply,
  json,
  KB,
  log,
  noteTerminal,
  readJson,
  terminalEndpoint,
} from '../../../server/index.ts';

export const POST = terminalEndpoint(async ({ app, terminal, context }) => {
  const read = await readJson(context.request, 8 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(terminalReport, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  if (shaped.value.problem)
    log.warn({ terminal: terminal.id, problem: shaped.value.problem }, 'terminal reports a problem');
  await noteTerminal(app.sending, terminal.id, shaped.value, new Date());
  await app.restores.terminalHolds(terminal.store, shaped.value.holds);
  return json({ ok: true });
});
