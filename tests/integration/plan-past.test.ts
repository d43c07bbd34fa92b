import { setTimeout as pause } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type EntryChange, entriesOf, tableOf } from '../../src/contracts/table/index.ts';
import type { Instant } from '../../src/core/calendar/index.ts';
import type { PlanDocument } from '../../src/core/plan/index.ts';
import {
  chainRepository,
  type Database,
  loadPlan,
  planRepository,
  planVersion,
  promotionRepository,
  schema,
  shopperRepository,
  stockroomRepository,
} from '../../src/db/index.ts';
import { planPast } from '../../src/server/standing/plan-past.ts';
import { asKnown, askPrice } from '../../src/usecases/index.ts';
import { person } from '../plans/ports.ts';
import { change, SMALL, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());

const BY = { person: 'ines', action: 'changed' };
const FIRST = withPromotions(change('a'), change('b', { status: 'draft' }));

/** Lists by name, as neither the database nor a plan in memory keeps an order that means anything. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value))
    return value.map(sorted).sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
  if (!value || typeof value !== 'object') return value;
  const kept = Object.entries(value).filter(
    ([, entry]) => entry !== undefined && !(Array.isArray(entry) && entry.length === 0),
  );
  return Object.fromEntries(
    kept.sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, entry]) => [key, sorted(entry)]),
  );
}

/** The database's own clock, a little after what was written last and before what is written next. */
async function momentBetween(): Promise<Instant> {
  await pause(5);
  const at = Date.now() as Instant;
  await pause(5);
  return at;
}

const enter = async (asked: EntryChange) => {
  const { document, version } = (await loadPlan(db))!;
  const { keyOf } = tableOf(asked.table);
  const keys = new Set([...asked.puts.map(keyOf), ...asked.drops]);
  const standing = entriesOf(document, asked.table).filter((entry) => keys.has(keyOf(entry)));
  const saved = await stockroomRepository(db).change(asked, version, { ...BY, standing });
  expect(saved.kind).toBe('saved');
};
const save = async (promotion: PlanDocument['promotions'][number], revision: number | null) =>
  expect((await promotionRepository(db).save(promotion, revision, BY)).kind).toBe('saved');

/** Everything that prices, changed one after another. */
const CHANGES: readonly (readonly [what: string, work: () => Promise<unknown>])[] = [
  ['a chain comes in', () => planRepository(db).replace(FIRST, 'basil')],
  ['a promotion is approved', () => save(change('b'), 1)],
  ['another is new', () => save(change('c'), null)],
  [
    'a regular price is new',
    () => enter({ table: 'prices', puts: [{ sku: 'bar', price: '1.11', since: '2027-03-01' }], drops: [] }),
  ],
  [
    'a range is another',
    () =>
      enter({
        table: 'ranges',
        puts: [{ id: 'all', name: 'All', stores: { all: true }, items: { items: ['bar'] } }],
        drops: [],
      }),
  ],
  ['one is paused', () => save(change('a', { status: 'paused' }), 1)],
  [
    'the lowest price wins from now on',
    async () => {
      const policy = { priceChanges: 'lowest', baskets: 'best', marginFloor: 500 } as const;
      const standing = (await planVersion(db))!;
      expect(await chainRepository(db).change({ name: 'Renamed', policy }, standing, 'basil')).toBe(
        standing + 1,
      );
      expect(await chainRepository(db).change({ name: 'Too late', policy }, standing, 'basil')).toBeNull();
    },
  ],
  ['another chain comes in', () => planRepository(db).replace({ ...SMALL, name: 'Another' }, 'basil')],
  ['a promotion of it is new', () => save(change('d'), null)],
];

describe('the plan as it was known', () => {
  it('is at every moment what the database held then', async () => {
    const nothing = await momentBetween();
    const stood: { what: string; at: Instant; document: PlanDocument }[] = [];
    for (const [what, work] of CHANGES) {
      await work();
      stood.push({ what, at: await momentBetween(), document: (await loadPlan(db))!.document });
    }
    const past = planPast(db);
    expect(await past.known(nothing)).toBeNull();
    for (const { what, at, document } of stood.toReversed()) {
      const then = await past.known(at);
      expect(sorted(then?.document), what).toEqual(sorted(document));
    }
    const [first, , , , ranged] = stood;
    const asked = { store: 'east', item: 'bar', at: '2027-03-02T12:00' };
    const priceThen = async (at: Instant) => {
      const ports = await asKnown(
        {
          book: { current: () => Promise.reject(new Error('asked')) },
          past,
          shoppers: shopperRepository(db),
        },
        new Date(at).toISOString(),
      );
      const story = ports.ok ? await askPrice(ports.value, person('planner'), asked) : ports;
      return story.ok ? story.value.price : story.failure;
    };
    expect(await priceThen(first!.at)).not.toEqual(await priceThen(ranged!.at));
    expect(await priceThen(nothing)).toMatchObject({ kind: 'not-found' });
  });

  it('is not told of what came before anything was on record, and is from then on', async () => {
    await db.delete(schema.planSnapshot);
    const past = planPast(db);
    expect(await past.known(await momentBetween())).toBeNull();
    expect(await past.since()).toBeNull();
    expect(await past.keep()).toBe(true);
    expect(await past.keep()).toBe(false);
    expect(await past.known(await momentBetween())).toMatchObject({ version: await planVersion(db) });
    expect(await past.since()).not.toBeNull();
  });

  it('goes on from rows by the thousand, of which only their number is told', async () => {
    const puts = Array.from({ length: 20_001 }, (_, i) => ({
      sku: `n-${i}`,
      name: `New ${i}`,
      node: 'food',
    }));
    await enter({ table: 'items', puts, drops: [] });
    const then = await planPast(db).known(await momentBetween());
    expect(then?.document.items).toHaveLength(SMALL.items.length + 20_001);
  });
});
