import { app, guarded, json } from '../../server/index.ts';

export const GET = guarded(async () => {
  const { version } = await (await app()).book.current();
  return json({ ok: true, planVersion: version });
});
