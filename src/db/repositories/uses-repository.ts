import { and, asc, count, desc, eq, gt, inArray, lte, max, sql, sum } from 'drizzle-orm';
import { batchOfKey } from '../../core/receipt/index.ts';
import type { BasketAtTill, Use, UseStore } from '../../usecases/ports/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';

export function usesRepository(db: Database): UseStore {
  const ofBasket = (table: typeof t.useHold | typeof t.useTaken, { terminal, basket }: BasketAtTill) =>
    and(eq(table.terminal, terminal), eq(table.basket, basket));
  return {
    hold: (at, uses, now, until) =>
      db.transaction(async (tx) => {
        const keys = keysOf(uses);
        if (keys.length === 0) {
          await tx.delete(t.useHold).where(ofBasket(t.useHold, at));
          return new Map();
        }
        // What is kept for ten minutes need not outlive a power cut, and others wait until this is written.
        await tx.execute(sql`set local synchronous_commit = off`);
        const taken = await lock(tx, keys);
        const { held, has, stale } = await standingOf(tx, at, uses, now);
        if (stale) await forget(tx, keys, now);
        const others = (use: Use) =>
          (taken.get(counterOf(use)) ?? 0) - (has.get(use.key) ?? 0) + (held.get(counterOf(use)) ?? 0);
        const fits = (use: Use) => others(use) + countOf(use) <= use.most;
        await keep(
          tx,
          at,
          uses.filter((use) => fits(use) && !has.has(use.key)),
          until,
        );
        return new Map(uses.flatMap((use) => (fits(use) ? [] : [[use.key, others(use)] as const])));
      }),
    async take({ store, ...at }, uses, when) {
      await db.transaction(async (tx) => {
        const keys = keysOf(uses);
        const taken = await lock(tx, keys);
        const rows = uses.map((use) => ({
          ...{ ...at, key: use.key, span: use.span ?? null, promotion: use.promotion, store, at: when },
          ...{ batch: batchOfKey(use.key), worth: use.worth ?? null, units: countOf(use) },
          over: (taken.get(counterOf(use)) ?? 0) + countOf(use) > use.most,
        }));
        if (rows.length > 0) {
          const made = await tx
            .insert(t.useTaken)
            .values(rows)
            .onConflictDoNothing()
            .returning({ key: t.useTaken.key });
          const isMade = new Set(made.map(({ key }) => key));
          await add(
            tx,
            uses.filter(({ key }) => isMade.has(key)),
          );
        }
        await tx.delete(t.useHold).where(ofBasket(t.useHold, at));
      });
    },
    async giveBack(at) {
      await db.delete(t.useHold).where(ofBasket(t.useHold, at));
    },
    async counted(uses, now) {
      const keys = keysOf(uses);
      if (keys.length === 0) return new Map();
      const rows = await db.select().from(t.useCount).where(inArray(t.useCount.key, keys));
      const held = await heldOf(db, keys, now);
      const taken = new Map(rows.map((row) => [row.key, row.taken]));
      return new Map(
        uses.map((use) => {
          const counter = counterOf(use);
          return [use.key, { taken: taken.get(counter) ?? 0, held: held.get(counter) ?? 0 }];
        }),
      );
    },
    async ofKey(key, stores) {
      if (stores?.length === 0) return [];
      return made(db)
        .where(and(eq(t.useTaken.key, key), inStores(stores)))
        .orderBy(asc(t.useTaken.at), asc(t.useTaken.terminal));
    },
    async beyond(promotion, stores) {
      if (stores?.length === 0) return { receipts: 0, worth: 0 };
      // A receipt may go beyond several limits: it got what it got once.
      const over = and(eq(t.useTaken.promotion, promotion), eq(t.useTaken.over, true), inStores(stores));
      const each = db
        .select({ worth: max(t.useTaken.worth).as('worth') })
        .from(t.useTaken)
        .where(over)
        .groupBy(t.useTaken.terminal, t.useTaken.basket)
        .as('each');
      const [row] = await db.select({ receipts: count(), worth: sum(each.worth) }).from(each);
      return { receipts: row!.receipts, worth: Number(row!.worth ?? 0) };
    },
    async newest(promotion, stores, most) {
      if (stores?.length === 0) return [];
      return made(db)
        .where(and(eq(t.useTaken.promotion, promotion), inStores(stores)))
        .orderBy(desc(t.useTaken.at), asc(t.useTaken.terminal), asc(t.useTaken.basket), asc(t.useTaken.key))
        .limit(most);
    },
  };
}

/** What is told of uses that were made. */
function made(db: Database) {
  const { key, terminal, store, basket, at, over, units, worth } = t.useTaken;
  return db.select({ key, terminal, store, basket, at, over, units, worth }).from(t.useTaken).$dynamic();
}

const inStores = (stores: readonly string[] | null) =>
  stores === null ? undefined : inArray(t.useTaken.store, [...stores]);

type Counted = Pick<Use, 'key' | 'span'>;

/** What counts it: anew in each span. A slash stands between, which no date has. */
const counterOf = ({ key, span }: Counted): string => (span === undefined ? key : `${key}/${span}`);

/** How many it counts as. */
const countOf = ({ units = 1 }: Use): number => units;

/** In one order, so that no two baskets wait for each other. */
const keysOf = (uses: readonly Counted[]): string[] => [...new Set(uses.map(counterOf))].sort();

/**
 * From here on nobody else counts these, until what is done with them is written. Their rows are written as they are, in
 * one order: that makes those that are not there yet, and holds all of them, in one statement.
 * @returns how often each was used.
 */
async function lock(tx: Transaction, keys: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (keys.length === 0) return new Map();
  const rows = await tx
    .insert(t.useCount)
    .values(keys.map((key) => ({ key })))
    .onConflictDoUpdate({ target: t.useCount.key, set: { taken: sql`${t.useCount.taken}` } })
    .returning();
  return new Map(rows.map(({ key, taken }) => [key, taken]));
}

/**
 * What is kept of these for other baskets, by counter; how many of them the basket itself has used already (a receipt that
 * is asked about once more after it was closed); and whether any was kept too long. In one question, as others wait.
 */
async function standingOf(
  tx: Transaction,
  { terminal, basket }: BasketAtTill,
  uses: readonly Use[],
  now: Date,
): Promise<{ held: ReadonlyMap<string, number>; has: ReadonlyMap<string, number>; stale: boolean }> {
  const { rows } = await tx.execute<{
    key: string;
    held: string | null;
    used: number | null;
    stale: boolean;
  }>(sql`
    select h.key, coalesce(sum(h.units) filter (where h.until > ${now} and (h.terminal, h.basket) <> (${terminal}, ${basket})), 0) as held, null::int as used,
      bool_or(h.until <= ${now}) as stale
    from ${t.useHold} h where h.key = any(${sql.param(keysOf(uses))}) group by h.key
    union all
    select u.key, null, u.units, false from ${t.useTaken} u
    where u.terminal = ${terminal} and u.basket = ${basket} and u.key = any(${sql.param(uses.map(({ key }) => key))})`);
  return {
    held: new Map(rows.flatMap(({ key, held }) => (held === null ? [] : [[key, Number(held)] as const]))),
    has: new Map(rows.flatMap(({ key, used }) => (used === null ? [] : [[key, used] as const]))),
    stale: rows.some(({ stale }) => stale),
  };
}

/** Keeps these for a basket, and nothing else of what was kept for it before. */
async function keep(
  tx: Transaction,
  { terminal, basket }: BasketAtTill,
  uses: readonly Use[],
  until: Date,
): Promise<void> {
  const keys = uses.map(counterOf);
  await tx.execute(sql`
    with gone as (
      delete from ${t.useHold} where terminal = ${terminal} and basket = ${basket} and key <> all(${sql.param(keys)})
    )
    insert into ${t.useHold} (terminal, basket, key, units, until)
    select ${terminal}, ${basket}, unnest(${sql.param(keys)}::text[]), unnest(${sql.param(uses.map(countOf))}::int[]), ${until}
    on conflict (terminal, basket, key) do update set until = excluded.until, units = excluded.units`);
}

/** Counts uses that were made; whoever asks holds their rows. */
async function add(tx: Transaction, uses: readonly Use[]): Promise<void> {
  if (uses.length === 0) return;
  await tx.execute(sql`
    update use_count c set taken = c.taken + made.units
    from unnest(${sql.param(uses.map(counterOf))}::text[], ${sql.param(uses.map(countOf))}::int[]) made (key, units)
    where c.key = made.key`);
}

/** What nobody paid or gave back in time; left to the basket itself where that is at it. */
async function forget(tx: Transaction, keys: readonly string[], now: Date): Promise<void> {
  const stale = tx
    .select({ row: sql`ctid` })
    .from(t.useHold)
    .where(and(inArray(t.useHold.key, [...keys]), lte(t.useHold.until, now)))
    .for('update', { skipLocked: true });
  await tx.delete(t.useHold).where(sql`ctid in ${stale}`);
}

async function heldOf(
  on: Database | Transaction,
  keys: readonly string[],
  now: Date,
): Promise<ReadonlyMap<string, number>> {
  const rows = await on
    .select({ key: t.useHold.key, held: sum(t.useHold.units) })
    .from(t.useHold)
    .where(and(inArray(t.useHold.key, [...keys]), gt(t.useHold.until, now)))
    .groupBy(t.useHold.key);
  return new Map(rows.map(({ key, held }) => [key, Number(held ?? 0)]));
}
