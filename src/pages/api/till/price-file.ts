import { json, takePriceFile, terminalEndpoint } from '../../../server/index.ts';

/** `?have=12`: the newest file of the terminal's store, or 204 where it has that one. */
export const GET = terminalEndpoint(async ({ app, terminal, context }) => {
  const have = context.url.searchParams.get('have');
  if (have !== null && !/^\d{1,9}$/.test(have))
    return json({ message: '`have` is the number of a price file.' }, 422);
  const envelope = await takePriceFile(app.sending, terminal.store, have === null ? null : Number(have));
  return envelope ? json(envelope) : new Response(null, { status: 204 });
});
