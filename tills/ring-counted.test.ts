import { expect, test } from 'vitest';
import type { WantedUse } from '../src/core/receipt/index.ts';
import type { CountedUses } from './counted-uses.ts';
import type { BasketAnswer } from './ring-basket.ts';
import { ringCounted } from './ring-counted.ts';

/** A file with offers of which each is used where nothing before it is left: `a`, else `b`, else `c`. */
function ring(used: Readonly<Record<string, number>>): BasketAnswer {
  const first = ['a', 'b', 'c'].find((key) => (used[key] ?? 0) < 5);
  const wanted = first === undefined ? [] : [{ key: first, promotion: first, most: 5 }];
  return { ok: true, rung: { wanted, shopper: null, cutOff: {} } as never };
}
const uses = (usedUp: Record<string, number>, counted = true) => {
  const asked: string[][] = [];
  const desk = {
    async ask(_: string, { uses: wanted }: { uses: readonly { key: string }[] }) {
      asked.push(wanted.map(({ key }) => key));
      return { usedUp: wanted.length > 0 ? usedUp : {}, counted: wanted.length > 0 ? counted : true };
    },
  } as unknown as CountedUses;
  return { asked, desk };
};
const wantedOf = (answer: BasketAnswer | null) => answer?.ok && answer.rung.wanted.map(({ key }) => key);

test('rings once where everything may be used', async () => {
  const { asked, desk } = uses({});
  const answer = await ringCounted('x', ring, desk);
  expect([wantedOf(answer), asked]).toEqual([['a'], [['a']]]);
  expect(answer).toMatchObject({ basket: 'x', counted: true });
});

test('rings without what is used up, and asks for what takes its place', async () => {
  const { asked, desk } = uses({ a: 5, b: 9 });
  expect(wantedOf(await ringCounted('x', ring, desk))).toEqual(['c']);
  expect(asked).toEqual([['a'], ['b'], ['c']]);
});

test('says that nobody counted, also where nothing limited is left in it', async () => {
  const { desk } = uses({ a: 5, b: 5, c: 5 }, false);
  expect(await ringCounted('x', ring, desk)).toMatchObject({ counted: false, rung: { wanted: [] } });
});

test('tells what is wrong with a basket without asking anybody', async () => {
  const { asked, desk } = uses({});
  const wrong: BasketAnswer = { ok: false, faults: ['no lines'] };
  expect(await ringCounted('x', () => wrong, desk)).toEqual(wrong);
  expect(await ringCounted('x', () => null, desk)).toBeNull();
  expect(asked).toEqual([]);
});

test('rings so many units as others leave of a limit in units', async () => {
  const asked: (number | undefined)[] = [];
  const desk = {
    async ask(_: string, { uses: wanted }: { uses: readonly WantedUse[] }) {
      const [use] = wanted;
      asked.push(use?.units);
      return { usedUp: use && use.units! > 2 ? { [use.key]: 3 } : {}, counted: true };
    },
  } as unknown as CountedUses;
  const ringUnits = (used: Readonly<Record<string, number>>): BasketAnswer => {
    const units = Math.min(7, 5 - (used['units:a@ann'] ?? 0));
    const wanted = units > 0 ? [{ key: 'units:a@ann', promotion: 'a', most: 5, units, worth: 0 }] : [];
    return { ok: true, rung: { wanted, shopper: null, cutOff: {} } as never };
  };
  const answer = await ringCounted('x', ringUnits, desk);
  expect(asked).toEqual([5, 2]);
  expect(answer?.ok && answer.rung.wanted).toMatchObject([{ units: 2 }]);
});
