import { app, guarded, json, planVersion } from '../../server/index.ts';

/** Whether it answers, and the version of the plan that stands. */
export const GET = guarded(async () => json({ ok: true, planVersion: await planVersion(app().db) }));
