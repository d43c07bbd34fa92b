import { createHash } from 'node:crypto';
import { inArray, lt, sql } from 'drizzle-orm';
import { type Database, schema } from '../db/index.ts';

/** How many tries are free, and how long one waits after each further one. */
interface Brake {
  readonly free: number;
  /** Milliseconds after the first try that is not free; each one after it doubles the wait. */
  readonly wait: number;
  readonly most: number;
}
const MINUTE = 60_000;
/** One's own mistakes at one's own desk. */
const ACCOUNT_FROM_ADDRESS: Brake = { free: 5, wait: 5_000, most: 15 * MINUTE };
/** Somebody who tries one account from many places. */
const ACCOUNT: Brake = { free: 25, wait: 5_000, most: 15 * MINUTE };
/** Somebody who tries many accounts from one place; a whole shop may sit behind one address. */
const ADDRESS: Brake = { free: 60, wait: 5_000, most: 15 * MINUTE };
/** After so long without a try all is forgotten. */
const FORGOTTEN_AFTER = 60 * MINUTE;

export interface SignInTries {
  /** Counts a try before it is made. @returns milliseconds to wait instead; 0 where it may be made. */
  begin(account: string, address: string, now: number): Promise<number>;
  /** The password was right: this account's tries from this address are forgotten. */
  succeeded(account: string, address: string): Promise<void>;
}

/** Tries are counted in the database, as another server may get the next one; each is counted before it is looked at. */
export function signInTries(db: Database): SignInTries {
  const t = schema.signInTry;
  const keysOf = (account: string, address: string) => {
    const name = account.trim().toLowerCase();
    return [
      { key: digestOf('account from address', name, address), brake: ACCOUNT_FROM_ADDRESS },
      { key: digestOf('account', name), brake: ACCOUNT },
      { key: digestOf('address', address), brake: ADDRESS },
    ];
  };
  return {
    begin: (account, address, now) =>
      db.transaction(async (tx) => {
        const counted = keysOf(account, address).sort((a, b) => (a.key < b.key ? -1 : 1));
        const keys = counted.map(({ key }) => key);
        // One after the other, in one order: a hundred tries at once are counted one by one.
        for (const key of keys)
          await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${key}, 0))`);
        const rows = await tx.select().from(t).where(inArray(t.key, keys));
        const known = new Map(rows.map((row) => [row.key, row]));
        const waits = counted.map(({ key, brake }) => waitOf(known.get(key), brake, now));
        const wait = Math.max(...waits);
        if (wait > 0) return wait;
        for (const { key } of counted)
          await tx
            .insert(t)
            .values({ key, tries: 1, at: new Date(now) })
            .onConflictDoUpdate({
              target: t.key,
              set: {
                at: new Date(now),
                tries: sql`case when ${t.at} < ${new Date(now - FORGOTTEN_AFTER)} then 1 else ${t.tries} + 1 end`,
              },
            });
        return 0;
      }),
    async succeeded(account, address) {
      const [own, ...others] = keysOf(account, address).map(({ key }) => key);
      await db.delete(t).where(inArray(t.key, [own!]));
      // It was counted before it was looked at, and was none.
      await db
        .update(t)
        .set({ tries: sql`greatest(${t.tries} - 1, 0)` })
        .where(inArray(t.key, others));
      await db.delete(t).where(lt(t.at, new Date(Date.now() - FORGOTTEN_AFTER)));
    },
  };
}

function waitOf(
  row: { tries: number; at: Date } | undefined,
  { free, wait, most }: Brake,
  now: number,
): number {
  if (!row || row.tries < free || now - row.at.getTime() > FORGOTTEN_AFTER) return 0;
  const until = row.at.getTime() + Math.min(most, wait * 2 ** Math.min(20, row.tries - free));
  return Math.max(0, until - now);
}

const digestOf = (...parts: readonly string[]): string =>
  createHash('sha256').update(JSON.stringify(parts)).digest('hex');
