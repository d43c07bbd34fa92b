import { shape, terminalReport } from '../../../contracts/index.ts';
import { failureReply, json, log, noteTerminal, terminalEndpoint } from '../../../server/index.ts';

export const POST = terminalEndpoint(async ({ app, terminal, context }) => {
  const shaped = shape(terminalReport, await context.request.json().catch(() => null));
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  if (shaped.value.problem)
    log.warn({ terminal: terminal.id, problem: shaped.value.problem }, 'terminal reports a problem');
  await noteTerminal(app.sending, terminal.id, shaped.value, new Date());
  return json({ ok: true });
});
