import { app, guarded, json, planVersion } from '../../server/index.ts';

/** Whether it answers, whether its threads have had the plan once, and the version of the plan that stands. */
export const GET = guarded(async () => {
  const { db, heavy } = app();
  return json({ ok: true, warm: heavy.warm, planVersion: await planVersion(db) });
});
