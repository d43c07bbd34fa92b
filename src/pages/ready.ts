import type { APIRoute } from 'astro';
import { app, guarded, json, planVersion } from '../server/index.ts';

/** Whether questions should be sent here: the database answers, and every thread has had the plan once. */
export const GET: APIRoute = guarded(async () => {
  const { db, heavy } = app();
  await planVersion(db);
  return heavy.warm
    ? json({ ready: true })
    : json({ ready: false, waits: 'The threads are still reading the plan.' }, 503, { 'retry-after': '2' });
});
