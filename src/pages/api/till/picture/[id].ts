import { failureReply, pictureReply, terminalEndpoint } from '../../../../server/index.ts';

/** A picture's bytes for a terminal whose price file names it; no other. */
export const GET = terminalEndpoint(async ({ app, terminal, context }) => {
  const id = context.params.id!;
  const number = await app.terminals.newestNumber(terminal.store);
  const named = number === null ? null : await app.terminals.picturesOf(terminal.store, number);
  return named?.has(id)
    ? pictureReply(app, id)
    : failureReply({ kind: 'not-found', what: 'such picture in the price file of this store' });
});
