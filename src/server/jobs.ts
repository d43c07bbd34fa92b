import PgBoss from 'pg-boss';
import { connect } from '../db/index.ts';
import { log } from './machine/log.ts';

/** What the application does by itself, whichever of its servers does it. */
export const JOBS = [
  'ring-kept-baskets',
  'look-through',
  'search-loopholes',
  'renew-price-files',
  'send-by-itself',
  'tell-programs',
  'make-codes',
] as const;
export type JobName = (typeof JOBS)[number];

/** When those are done that nobody asks for (crontab, UTC). */
const BY_THE_CLOCK: Partial<Record<JobName, string>> = {
  'renew-price-files': '7 * * * *',
  // Whether its hour has come is asked every minute: what was due while no server was there is done late.
  'send-by-itself': '* * * * *',
  // What was not taken is tried again when its pause is over.
  'tell-programs': '* * * * *',
  // Lists that are old go away.
  'make-codes': '23 * * * *',
};

/** One that was begun and never ended, as its server died, is begun anew after this long. */
const EXPIRES = 300;
const AGAIN_AFTER = 2_000;
const CONNECTIONS = 3;
/** Nobody waits for what is asked here: a job is asked for late rather than never. */
const PATIENCE = 60_000;

export interface Jobs {
  /**
   * Has a job done once, by one of the servers. Asked again before it has begun, it is the same job; while it is under
   * way, one more.
   * @param after seconds.
   */
  ask(job: JobName, after?: number): Promise<void>;
  stop(): Promise<void>;
}

/**
 * Jobs in the database, taken by whichever server is free. A database that is away is waited for.
 * @param works null: this server asks for jobs and does none.
 */
export function jobs(databaseUrl: string, works: Record<JobName, () => Promise<void>> | null): Jobs {
  // A pool of ours: one that is silent is given up, so that jobs go on once the database is back.
  const { pool } = connect(databaseUrl, CONNECTIONS, PATIENCE);
  const boss = new PgBoss({
    db: { executeSql: (text, values) => pool.query(text, values) },
    schema: 'jobs',
    archiveCompletedAfterSeconds: 3_600,
    deleteAfterHours: 48,
  });
  boss.on('error', (error) => log.debug({ err: error }, 'jobs wait for the database'));
  let stopped = false;
  const begun = begin();

  async function begin(): Promise<void> {
    while (!stopped) {
      try {
        await boss.start();
        for (const job of JOBS)
          await boss.createQueue(job, {
            name: job,
            policy: 'stately',
            expireInSeconds: EXPIRES,
            retryLimit: 0,
          });
        if (works) await workOn(works);
        return;
      } catch (error) {
        log.debug({ err: error }, 'jobs wait for the database');
        await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER).unref());
      }
    }
  }

  async function workOn(all: Record<JobName, () => Promise<void>>): Promise<void> {
    for (const [job, cron] of Object.entries(BY_THE_CLOCK)) await boss.schedule(job, cron);
    for (const job of JOBS)
      await boss.work(job, { pollingIntervalSeconds: 1 }, async () => {
        try {
          await all[job]();
        } catch (error) {
          log.error({ err: error, job }, 'a job could not be done');
          throw error;
        }
      });
  }

  return {
    async ask(job, after = 0) {
      await begun;
      // A server that ends asks for nothing more: another hears of it too.
      if (stopped) return;
      await boss.send(job, {}, after > 0 ? { startAfter: after } : {});
    },
    async stop() {
      stopped = true;
      await boss.stop({ graceful: true, timeout: 5_000 }).catch(() => {});
      // What is silent would never say that it has ended.
      void pool.end().catch(() => {});
    },
  };
}
