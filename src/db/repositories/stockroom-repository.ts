import { and, asc, count, desc, eq, like, type SQL, sql } from 'drizzle-orm';
import type { EntryChange } from '../../contracts/table/index.ts';
import type { ChangedBy, EntrySaved, ItemSearch, StockroomStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { takeSnapshot } from './plan-past.ts';
import { PlanMovedOn, raisePlanVersion } from './plan-version.ts';
import { writeEntries } from './write-entries.ts';

/** A larger change is not kept entry by entry: servers read the plan anew after it. */
const MOST_KEPT = 20_000;

export function stockroomRepository(db: Database): StockroomStore {
  return {
    findItems: (search) => findItems(db, search),
    change: (change, version, by) => changed(db, change, version, by),
  };
}

const escaped = (word: string): string => word.replace(/[\\%_]/g, (mark) => `\\${mark}`);

async function findItems(db: Database, search: ItemSearch): ReturnType<StockroomStore['findItems']> {
  const { words, among, limit, offset, counted } = search;
  const where = and(
    ...words.map((word) => like(t.item.search, `%${escaped(word)}%`)),
    among ? sql`${t.item.sku} = any(${sql.param([...among])})` : undefined,
  );
  const found = db
    .select({ sku: t.item.sku })
    .from(t.item)
    .where(where)
    .orderBy(...orderOf(search))
    .offset(offset);
  const begins = search.sort === 'relevance' && words.length > 0 && offset === 0 && limit !== null;
  const [rows, [all]] = await Promise.all([
    begins ? firstFound(db, words, where, limit) : limit === null ? found : found.limit(limit),
    counted ? db.select({ total: count() }).from(t.item).where(where) : [],
  ]);
  return { skus: rows.map(({ sku }) => sku), total: all?.total ?? rows.length };
}

/**
 * The beginning of what {@link orderOf} puts in order, without putting all of it in order: most of a chain's items may
 * hold the two letters that were typed so far. Each part is one walk along an index that ends at the limit.
 */
async function firstFound(
  db: Database,
  words: readonly string[],
  where: SQL | undefined,
  limit: number,
): Promise<{ sku: string }[]> {
  const first = words[0]!;
  const { sku, name, gtin, position } = t.item;
  const part = (rank: number, more: SQL | undefined) =>
    sql`(select ${sku} as sku, ${position} as position, ${sql.raw(String(rank))} as rank from ${t.item}
      where ${and(where, more)} order by ${position} limit ${limit})`;
  const parts = [
    part(0, sql`lower(${sku}) = ${first}`),
    part(1, sql`${gtin} = ${first}`),
    part(2, sql`lower(${name}) like ${`${escaped(words.join(' '))}%`}`),
    part(3, undefined),
  ];
  const { rows } = await db.execute<{ sku: string }>(
    sql`select sku from (${sql.join(parts, sql` union all `)}) as found
      group by sku order by min(rank), min(position) limit ${limit}`,
  );
  return rows;
}

/** A whole number or barcode that was typed comes first, then names that begin with it. */
function orderOf({ words, sort, descending }: ItemSearch): SQL[] {
  const way = descending ? desc : asc;
  const first = words[0] ?? '';
  if (sort === 'relevance' && words.length > 0)
    return [
      sql`(lower(${t.item.sku}) = ${first}) desc`,
      sql`coalesce(${t.item.gtin} = ${first}, false) desc`,
      sql`(lower(${t.item.name}) like ${`${escaped(words.join(' '))}%`}) desc`,
      asc(t.item.position),
    ];
  if (sort === 'relevance' || sort === 'position') return [way(t.item.position)];
  // Codepoints would put "Zinc" before "aloe".
  const column = sort === 'cost' || sort === 'retired' ? sql`${t.item[sort]}` : sql`lower(${t.item[sort]})`;
  return [sql`${way(column)} nulls last`, asc(t.item.position)];
}

async function changed(
  db: Database,
  change: EntryChange,
  version: number,
  { settles, standing, ...by }: ChangedBy,
): Promise<EntrySaved> {
  try {
    const planVersion = await db.transaction(async (tx) => {
      const raised = await raisePlanVersion(tx, version);
      const [chain] = await tx.select({ currency: t.chain.currency }).from(t.chain);
      await writeEntries(tx, change, chain!.currency);
      if (settles !== undefined) await tx.delete(t.waitingEntries).where(eq(t.waitingEntries.id, settles));
      const { table, puts, drops } = change;
      const small = puts.length + drops.length <= MOST_KEPT;
      await tx.insert(t.auditEntry).values({
        ...by,
        subjectKind: small ? 'entries' : 'many-entries',
        subject: table,
        before: small ? { entries: standing } : null,
        after: small ? { puts, drops } : { puts: puts.length, drops: drops.length },
        planVersion: raised,
      });
      if (!small) await takeSnapshot(tx);
      return raised;
    });
    return { kind: 'saved', version: planVersion };
  } catch (error) {
    if (error instanceof PlanMovedOn) return { kind: 'moved-on' };
    throw error;
  }
}
