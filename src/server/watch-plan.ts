import pg from 'pg';
import { PLAN_CHANGED } from '../db/index.ts';
import { log } from './machine/log.ts';

const AGAIN_AFTER = 2_000;
const REST = 1_000;

/**
 * Hears from the database whenever the plan has changed, by whatever server, and calls once it has rested for a
 * second. A connection that breaks is made anew; what changed in between is caught up on by then.
 */
export function watchPlan(databaseUrl: string, onChange: () => Promise<unknown>): void {
  let resting: NodeJS.Timeout | undefined;
  const soon = () => {
    clearTimeout(resting);
    resting = setTimeout(
      () =>
        onChange().catch((error: unknown) =>
          log.error({ err: error }, 'what follows a change of the plan failed'),
        ),
      REST,
    );
    resting.unref();
  };
  let away = false;
  const listen = async () => {
    const client = new pg.Client({ connectionString: databaseUrl, keepAlive: true });
    client.on('notification', soon);
    // A connection that breaks may say so twice; it is made anew once.
    let broken = false;
    client.on('error', () => {
      if (broken) return;
      broken = true;
      tellAway();
      setTimeout(again, AGAIN_AFTER).unref();
    });
    await client.connect();
    await client.query(`listen ${PLAN_CHANGED}`);
    if (away) log.warn('the database answers again');
    away = false;
    soon();
  };
  const tellAway = () => {
    if (!away) log.warn('the database is away; questions are answered again as soon as it is back');
    away = true;
  };
  const again = () =>
    listen().catch(() => {
      tellAway();
      setTimeout(again, AGAIN_AFTER).unref();
    });
  void again();
}
