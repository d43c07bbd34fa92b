import { beforeEach, expect, test } from 'vitest';
import { countedUses, type KeptUses, type UseTalk } from './counted-uses.ts';

const NOW = Date.parse('2027-04-14T10:00:00Z');
const wanting = (promotion: string, most = 5, key = promotion) => ({ key, promotion, most });

let disk: KeptUses | null;
let said: string[];
let usedUp: Record<string, number>;
let away: boolean;
beforeEach(() => {
  [disk, said, usedUp, away] = [null, [], {}, false];
});

function answer(words: string): void {
  if (away) throw new Error('nobody answers');
  said.push(words);
}
const talk: UseTalk = {
  async hold(basket, uses) {
    answer(`hold ${basket} ${uses.map(({ key }) => key).join('+')}`);
    return { usedUp };
  },
  async take({ basket, uses, at }) {
    answer(`take ${basket} ${uses.map(({ key }) => key).join('+')} ${at}`);
  },
  async giveBack(basket) {
    answer(`back ${basket}`);
  },
};
const DISK = {
  read: () => disk,
  write(value: KeptUses) {
    disk = value;
  },
};
const till = () => countedUses(talk, DISK, () => NOW);
const [none, two] = [() => 0, () => 2];

test('what is paid is told at once, and only what was granted', async () => {
  const one = till();
  usedUp = { b: 5 };
  expect(await one.ask('x', { uses: [wanting('a'), wanting('b')] }, none)).toEqual({
    usedUp: { b: 5 },
    counted: true,
  });
  await one.paid('x');
  expect(said).toEqual(['hold x a+b', 'take x a 2027-04-14T10:00:00.000Z']);
  expect(disk?.toTell).toEqual([]);
});

test('a basket that uses nothing limited asks nobody; one that does no more gives it back', async () => {
  const one = till();
  await one.ask('x', { uses: [] }, none);
  await one.ask('x', { uses: [wanting('a')] }, none);
  await one.ask('x', { uses: [] }, none);
  await one.paid('x');
  expect(said).toEqual(['hold x a', 'back x']);
});

test('a basket that is left standing is given back, once', async () => {
  const one = till();
  await one.ask('x', { uses: [wanting('a')] }, none);
  await one.dropped('x');
  await one.dropped('x');
  await one.paid('x');
  expect(said).toEqual(['hold x a', 'back x']);
});

test('cut off it gives nothing by itself where the promotion does not say so', async () => {
  away = true;
  expect(await till().ask('x', { uses: [wanting('a', 7)] }, none)).toEqual({
    usedUp: { a: 7 },
    counted: false,
  });
});

test('cut off it gives so many, keeps them over a start, and tells them in their order', async () => {
  const one = till();
  away = true;
  for (const basket of ['x', 'y', 'z']) {
    await one.ask(basket, { uses: [wanting('a')] }, two);
    await one.paid(basket);
  }
  // The third was refused, and so used nothing.
  expect(disk?.toTell.map(({ basket }) => basket)).toEqual(['x', 'y']);
  const again = till();
  expect((await again.ask('w', { uses: [wanting('a')] }, two)).usedUp).toEqual({ a: 5 });
  away = false;
  await again.tell();
  expect(said).toEqual(['take x a 2027-04-14T10:00:00.000Z', 'take y a 2027-04-14T10:00:00.000Z']);
  expect(disk?.toTell).toEqual([]);
  // Told is told: it may give by itself anew.
  away = true;
  expect((await again.ask('v', { uses: [wanting('a')] }, two)).usedUp).toEqual({});
});

test('cut off it gives no code twice of which it knows itself', async () => {
  const one = till();
  away = true;
  const code = wanting('a', 1, 'code:LEAF');
  expect((await one.ask('x', { uses: [code] }, two)).usedUp).toEqual({});
  await one.paid('x');
  expect((await one.ask('y', { uses: [code] }, two)).usedUp).toEqual({ 'code:LEAF': 1 });
});

test('cut off it counts what it gave in the span in which it gave it', async () => {
  const one = till();
  away = true;
  const week = { ...wanting('a', 1, 'a@ann'), span: '2027-04-12' };
  await one.ask('x', { uses: [week] }, two);
  await one.paid('x');
  expect((await one.ask('y', { uses: [week] }, two)).usedUp).toEqual({ 'a@ann': 1 });
  expect((await one.ask('y', { uses: [{ ...week, span: '2027-04-19' }] }, two)).usedUp).toEqual({});
});

test('what it could count before it was cut off stays, and is told later', async () => {
  const one = till();
  await one.ask('x', { uses: [wanting('a')] }, none);
  away = true;
  await one.paid('x');
  expect(disk?.toTell).toMatchObject([{ basket: 'x', byItself: false }]);
  // Its own goods were counted: they take nothing of what it may give by itself.
  expect((await one.ask('y', { uses: [wanting('a')] }, () => 1)).usedUp).toEqual({});
});

test('what was rung before its power went is paid after it has come back', async () => {
  await till().ask('x', { uses: [wanting('a')] }, none);
  await till().paid('x');
  await till().paid('x');
  expect(said).toEqual(['hold x a', 'take x a 2027-04-14T10:00:00.000Z']);
});

test('cut off it counts the units that it gave itself, and tells what of them is gone', async () => {
  const one = till();
  away = true;
  const units = (count: number) => ({ ...wanting('a', 5, 'units:a@ann'), units: count });
  expect((await one.ask('x', { uses: [units(3)] }, two)).usedUp).toEqual({});
  await one.paid('x');
  expect((await one.ask('y', { uses: [units(3)] }, two)).usedUp).toEqual({ 'units:a@ann': 3 });
  expect((await one.ask('y', { uses: [units(2)] }, two)).usedUp).toEqual({});
  await one.paid('y');
  // It may give no third receipt by itself, whatever is left of the units.
  expect((await one.ask('z', { uses: [units(1)] }, () => 2)).usedUp).toEqual({ 'units:a@ann': 5 });
});
