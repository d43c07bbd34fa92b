import { and, asc, count, desc, eq, gt, inArray, lte, sql } from 'drizzle-orm';
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
        const taken = await lock(tx, keys);
        await tx.delete(t.useHold).where(ofBasket(t.useHold, at));
        if (keys.length === 0) return new Map();
        await forget(tx, keys, now);
        const held = await heldOf(tx, keys, now);
        const own = await tx
          .select({ key: t.useTaken.key })
          .from(t.useTaken)
          .where(
            and(
              ofBasket(t.useTaken, at),
              inArray(
                t.useTaken.key,
                uses.map(({ key }) => key),
              ),
            ),
          );
        // A receipt that is asked about once more after it was closed has its uses already.
        const has = new Set(own.map(({ key }) => key));
        const others = (use: Use) =>
          (taken.get(counterOf(use)) ?? 0) - (has.has(use.key) ? 1 : 0) + (held.get(counterOf(use)) ?? 0);
        const free = uses.filter((use) => others(use) < use.most && !has.has(use.key));
        if (free.length > 0)
          await tx.insert(t.useHold).values(
            free.map((use) => ({
              ...{ terminal: at.terminal, basket: at.basket },
              ...{ key: counterOf(use), until },
            })),
          );
        return new Map(
          uses.flatMap((use) => (others(use) < use.most ? [] : [[use.key, others(use)] as const])),
        );
      }),
    async take({ store, ...at }, uses, when) {
      await db.transaction(async (tx) => {
        const keys = keysOf(uses);
        const taken = await lock(tx, keys);
        const rows = uses.map((use) => ({
          ...{ ...at, key: use.key, span: use.span ?? null, promotion: use.promotion, store, at: when },
          batch: batchOfKey(use.key),
          over: (taken.get(counterOf(use)) ?? 0) >= use.most,
        }));
        if (rows.length > 0) {
          const made = await tx
            .insert(t.useTaken)
            .values(rows)
            .onConflictDoNothing()
            .returning({ key: t.useTaken.key });
          const isMade = new Set(made.map(({ key }) => key));
          const fresh = uses.filter(({ key }) => isMade.has(key)).map(counterOf);
          if (fresh.length > 0)
            await tx
              .update(t.useCount)
              .set({ taken: sql`${t.useCount.taken} + 1` })
              .where(inArray(t.useCount.key, fresh));
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
  const { key, terminal, store, basket, at, over } = t.useTaken;
  return db.select({ key, terminal, store, basket, at, over }).from(t.useTaken).$dynamic();
}

const inStores = (stores: readonly string[] | null) =>
  stores === null ? undefined : inArray(t.useTaken.store, [...stores]);

type Counted = Pick<Use, 'key' | 'span'>;

/** What counts it: anew in each span. A slash stands between, which no date has. */
const counterOf = ({ key, span }: Counted): string => (span === undefined ? key : `${key}/${span}`);

/** In one order, so that no two baskets wait for each other. */
const keysOf = (uses: readonly Counted[]): string[] => [...new Set(uses.map(counterOf))].sort();

/** From here on nobody else counts these, until what is done with them is written. @returns how often each was used. */
async function lock(tx: Transaction, keys: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (keys.length === 0) return new Map();
  await tx
    .insert(t.useCount)
    .values(keys.map((key) => ({ key })))
    .onConflictDoNothing();
  const rows = await tx
    .select()
    .from(t.useCount)
    .where(inArray(t.useCount.key, [...keys]))
    .orderBy(asc(t.useCount.key))
    .for('update');
  return new Map(rows.map(({ key, taken }) => [key, taken]));
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
    .select({ key: t.useHold.key, held: count() })
    .from(t.useHold)
    .where(and(inArray(t.useHold.key, [...keys]), gt(t.useHold.until, now)))
    .groupBy(t.useHold.key);
  return new Map(rows.map(({ key, held }) => [key, held]));
}
