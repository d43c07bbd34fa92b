import { afterAll, beforeAll, expect, test } from 'vitest';
import { connect, type Database, usesRepository } from '../../src/db/index.ts';
import type { Use } from '../../src/usecases/ports/index.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let url: string;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, url, drop } = await freshDatabase());
});
afterAll(() => drop());

const NOW = Date.parse('2027-04-14T10:00:00Z');
const MINUTE = 60_000;
let promotions = 0;
/** A promotion of its own, used at most so often. */
const limited = (most: number): Use => {
  const promotion = `p${++promotions}`;
  return { key: promotion, promotion, most };
};
const at = (terminal: string, basket = 'basket-1') => ({ terminal, basket });
const hold = (till: string, uses: Use[], minutes = 0) =>
  usesRepository(db).hold(
    at(till),
    uses,
    new Date(NOW + minutes * MINUTE),
    new Date(NOW + (minutes + 10) * MINUTE),
  );
const take = (till: string, uses: Use[], basket?: string) =>
  usesRepository(db).take({ ...at(till, basket), store: 'east' }, uses, new Date(NOW));
const counted = async (use: Use, minutes = 0) =>
  (await usesRepository(db).counted([use], new Date(NOW + minutes * MINUTE))).get(use.key);

test('of 100 tills that ask for the last use at once exactly one gets it', async () => {
  const use = limited(3);
  await take('first', [use], 'basket-a');
  await take('second', [use], 'basket-b');
  // Two servers, each with connections of its own.
  const other = connect(url, 10);
  const desks = [usesRepository(db), usesRepository(other.db)];
  const asked = await Promise.all(
    Array.from({ length: 100 }, (_, i) =>
      desks[i % 2]!.hold(at(`till-${i}`), [use], new Date(NOW), new Date(NOW + 10 * MINUTE)),
    ),
  );
  await other.pool.end();
  expect(asked.filter((usedUp) => usedUp.size === 0)).toHaveLength(1);
  expect(asked.filter((usedUp) => usedUp.get(use.key) === 3)).toHaveLength(99);
  expect(await counted(use)).toEqual({ taken: 2, held: 1 });
});

test('tills that want the same in another order wait for no circle', async () => {
  const uses = [limited(1_000), limited(1_000), limited(1_000)];
  const all = await Promise.all(
    Array.from({ length: 60 }, (_, i) => hold(`till-${i}`, i % 2 ? uses : uses.toReversed())),
  );
  expect(all.every((usedUp) => usedUp.size === 0)).toBe(true);
  expect(await counted(uses[0]!)).toEqual({ taken: 0, held: 60 });
});

test('a basket whose uses were forgotten asks again while others ask for them', async () => {
  const uses = [limited(1_000), limited(1_000)];
  const tills = Array.from({ length: 40 }, (_, i) => `till-${i}`);
  await Promise.all(tills.map((till) => hold(till, uses)));
  // All at once, after all of them have run out: each is at its own rows and at those of the others.
  await Promise.all(tills.map((till, i) => hold(till, i % 2 ? uses : uses.toReversed(), 11)));
  expect(await counted(uses[0]!, 11)).toEqual({ taken: 0, held: 40 });
});

test('what went beyond a limit is told once a receipt, with what it took off', async () => {
  const use = { ...limited(1), worth: 150 };
  // A code of the same promotion, on the same receipts.
  const code = { ...use, key: `code:${use.key}` };
  const beyond = () => usesRepository(db).beyond(use.promotion, null);
  await take('first', [use, code], 'basket-a');
  expect(await beyond()).toEqual({ receipts: 0, worth: 0 });
  await take('second', [use, code], 'basket-b');
  await take('third', [{ ...use, worth: undefined as never }], 'basket-c');
  expect(await beyond()).toEqual({ receipts: 2, worth: 150 });
  expect(await usesRepository(db).beyond(use.promotion, ['west'])).toEqual({ receipts: 0, worth: 0 });
  expect(await usesRepository(db).beyond(use.promotion, [])).toEqual({ receipts: 0, worth: 0 });
});

test('what is given back, or forgotten for ten minutes, may be used by others', async () => {
  const use = limited(1);
  expect((await hold('a', [use])).size).toBe(0);
  expect((await hold('b', [use])).get(use.key)).toBe(1);
  await usesRepository(db).giveBack(at('a'));
  expect((await hold('b', [use])).size).toBe(0);
  expect((await hold('c', [use], 9)).size).toBe(1);
  expect((await hold('c', [use], 11)).size).toBe(0);
});

test('a basket that asks again keeps its one use, and one that wants it no more leaves it', async () => {
  const [use, other] = [limited(1), limited(1)];
  await hold('a', [use]);
  expect((await hold('a', [use])).size).toBe(0);
  expect(await counted(use)).toEqual({ taken: 0, held: 1 });
  await hold('a', [other]);
  expect((await hold('b', [use])).size).toBe(0);
});

test('a receipt counts once, however often it is told, and asks in vain for no second use', async () => {
  const use = limited(1);
  await hold('a', [use]);
  await Promise.all([take('a', [use]), take('a', [use]), take('a', [use])]);
  expect(await counted(use)).toEqual({ taken: 1, held: 0 });
  expect((await hold('a', [use])).size).toBe(0);
  expect(await counted(use)).toEqual({ taken: 1, held: 0 });
  expect((await hold('b', [use])).get(use.key)).toBe(1);
});

test('what a till gave by itself beyond the limit counts, and says so', async () => {
  const use = limited(1);
  await take('a', [use]);
  await take('b', [use]);
  const made = await usesRepository(db).newest(use.promotion, null, 10);
  expect(made.map(({ terminal, over }) => [terminal, over])).toEqual([
    ['a', false],
    ['b', true],
  ]);
  expect(await counted(use)).toEqual({ taken: 2, held: 0 });
  expect(await usesRepository(db).newest(use.promotion, ['west'], 10)).toEqual([]);
  expect(await usesRepository(db).newest(use.promotion, ['east'], 1)).toHaveLength(1);
});

test('what counts anew each week is used once in each, and a receipt counts in its own', async () => {
  const week = { ...limited(1), span: '2027-04-12' };
  const next = { ...week, span: '2027-04-19' };
  await hold('a', [week]);
  await take('a', [week]);
  expect((await hold('b', [week])).get(week.key)).toBe(1);
  expect((await hold('b', [next])).size).toBe(0);
  expect([await counted(week), await counted(next)]).toEqual([
    { taken: 1, held: 0 },
    { taken: 0, held: 1 },
  ]);
  await take('c', [week]);
  expect(await usesRepository(db).newest(week.promotion, null, 5)).toMatchObject([
    { terminal: 'a', key: week.key, over: false },
    { terminal: 'c', key: week.key, over: true },
  ]);
});

test('units are counted as so many, kept as so many, and told as far as others leave them', async () => {
  const limit = limited(5);
  const of = (units: number): Use => ({ ...limit, units });
  await hold('a', [of(3)]);
  expect(await counted(limit)).toEqual({ taken: 0, held: 3 });
  // Three are kept for another: of four none is granted, and two are.
  expect((await hold('b', [of(4)])).get(limit.key)).toBe(3);
  expect((await hold('b', [of(2)])).size).toBe(0);
  await take('b', [of(2)]);
  // The first basket grows no further than what is left, and may shrink.
  expect((await hold('a', [of(4)])).get(limit.key)).toBe(2);
  expect((await hold('a', [of(1)])).size).toBe(0);
  expect(await counted(limit)).toEqual({ taken: 2, held: 1 });
  await take('a', [of(1)]);
  // Asked once more about what it paid, it has what it has.
  expect((await hold('a', [of(3)])).size).toBe(0);
  expect(await counted(limit)).toEqual({ taken: 3, held: 0 });
});

test('units beyond a limit that a till gave while it was cut off count, and say so', async () => {
  const limit = limited(5);
  await take('a', [{ ...limit, units: 4 }]);
  await take('b', [{ ...limit, units: 2, worth: 300 }]);
  expect(await usesRepository(db).newest(limit.promotion, null, 5)).toMatchObject([
    { terminal: 'a', units: 4, over: false },
    { terminal: 'b', units: 2, over: true },
  ]);
  expect(await usesRepository(db).beyond(limit.promotion, null)).toEqual({ receipts: 1, worth: 300 });
});

test('of tills that ask for the last units at once no more is granted than there are', async () => {
  const limit = limited(10);
  const asked = await Promise.all(
    Array.from({ length: 30 }, (_, i) => hold(`many-${i}`, [{ ...limit, units: 1 + (i % 3) }])),
  );
  const granted = asked.reduce((sum, usedUp, i) => sum + (usedUp.size === 0 ? 1 + (i % 3) : 0), 0);
  expect(granted).toBe(10);
  expect(await counted(limit)).toEqual({ taken: 0, held: 10 });
});
