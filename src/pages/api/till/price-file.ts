import { json, packedReply, terminalEndpoint } from '../../../server/index.ts';

/** `?have=12`: the newest file of the terminal's store, or 204 where it has that one. */
export const GET = terminalEndpoint(async ({ app, terminal, context }) => {
  const have = context.url.searchParams.get('have');
  if (have !== null && !/^\d{1,15}$/.test(have))
    return json({ message: '`have` is the number of a price file.' }, 422);
  const number = await app.terminals.newestNumber(terminal.store);
  if (number === null || Number(have) === number) return new Response(null, { status: 204 });
  const envelope = await app.terminals.envelope(terminal.store, number);
  return envelope
    ? packedReply(envelope, context.request, { 'x-price-file': String(number) })
    : new Response(null, { status: 204 });
});
