import type { DueCall, WebhookStore } from '../ports/index.ts';

/** What came of a try. */
export interface CameOfCall {
  readonly taken: boolean;
  readonly said: string;
}
/** Port: makes a call; answers also where nobody is there. */
export type Caller = (call: DueCall) => Promise<CameOfCall>;

const SECOND = 1_000;
const MINUTE = 60 * SECOND;
const HOUR = 60 * MINUTE;
/** Pauses after a first try, a second, …; after the last of them it is given up. */
const PAUSES = [5 * SECOND, MINUTE, 5 * MINUTE, 30 * MINUTE, 2 * HOUR, 5 * HOUR, 10 * HOUR, 14 * HOUR];
const AT_ONCE = 8;

/**
 * Makes calls of what happened since, and tries those whose time has come. Whoever is called may be called twice with the
 * same: a server that dies between the call and its note of it calls again.
 * @returns whether there may be more to do now.
 */
export async function tellPrograms(
  { webhooks }: { readonly webhooks: WebhookStore },
  call: Caller,
  now: () => Date,
  newId: () => string,
): Promise<boolean> {
  const happened = await webhooks.putIntoCalls(now(), newId);
  const due = await webhooks.due(now(), AT_ONCE);
  await Promise.all(
    due.map(async (one) => {
      const came = await call(one);
      const pause = came.taken ? undefined : PAUSES[one.tries];
      const next = pause === undefined ? null : new Date(now().getTime() + pause);
      await webhooks.tried(one.id, { ...came, next }, now());
    }),
  );
  return happened > 0 || due.length === AT_ONCE;
}
