import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PromotionDocument } from './document.ts';
import { mergePromotions } from './merge-promotions.ts';

const BASE: PromotionDocument = {
  id: 'teas',
  name: 'Teas',
  status: 'draft',
  priority: 10,
  when: { from: '2027-03-01T09:00', to: '2027-03-08T20:00' },
  offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 1_000 } },
};
const offered = (more: object): Pick<PromotionDocument, 'offer'> => ({
  offer: { ...BASE.offer, ...more } as never,
});
const later = { when: { from: '2027-03-02T09:00', to: '2027-03-08T20:00' } };
const longer = { when: { from: '2027-03-01T09:00', to: '2027-03-09T20:00' } };

describe('two changes of one promotion', () => {
  it.each<
    [string, Partial<PromotionDocument>, Partial<PromotionDocument>, Partial<PromotionDocument>, string[]]
  >([
    [
      'of other parts are both kept',
      { priority: 3 },
      { name: 'Tea time' },
      { priority: 3, name: 'Tea time' },
      [],
    ],
    ['the same change twice is one', { priority: 3 }, { priority: 3 }, { priority: 3 }, []],
    ['of one part touch, and mine counts', { priority: 3 }, { priority: 4 }, { priority: 3 }, ['priority']],
    ['of one span touch, however little', later, longer, later, ['when']],
    ['one of nothing takes theirs', {}, { priority: 4 }, { priority: 4 }, []],
    [
      'of the goods and of the price are both kept',
      offered({ items: { node: 'soups' } }),
      offered({ formula: { percentOff: 2_000 } }),
      offered({ items: { node: 'soups' }, formula: { percentOff: 2_000 } }),
      [],
    ],
    [
      'an offer that became of another kind goes as a whole',
      { offer: { kind: 'mixAndMatch', items: { node: 'teas' }, take: 3, value: { total: '10.00' } } },
      offered({ formula: { percentOff: 2_000 } }),
      { offer: { kind: 'mixAndMatch', items: { node: 'teas' }, take: 3, value: { total: '10.00' } } },
      ['offer'],
    ],
    [
      'prices line by line go with their goods',
      offered({ items: { items: ['a'] }, formula: undefined, linePrices: { a: '1.00' } }),
      offered({ items: { node: 'soups' } }),
      offered({ items: { items: ['a'] }, formula: undefined, linePrices: { a: '1.00' } }),
      ['offer'],
    ],
  ])('%s', (_, mine, theirs, wanted, touching) => {
    const merged = mergePromotions(BASE, { ...BASE, ...mine }, { ...BASE, ...theirs });
    expect(merged).toEqual({ merged: { ...BASE, ...wanted }, touching });
  });

  it('what one took out is out', () => {
    const { priority: _, ...without } = BASE;
    expect(mergePromotions(BASE, without, { ...BASE, name: 'Tea time' }).merged).toEqual({
      ...without,
      name: 'Tea time',
    });
  });

  it('where both wrote, theirs counts in the parts that are chosen', () => {
    const mine = { ...BASE, priority: 3, ...later };
    const theirs = { ...BASE, priority: 4, ...longer };
    expect(mergePromotions(BASE, mine, theirs, new Set(['when']))).toEqual({
      merged: { ...BASE, priority: 3, ...longer },
      touching: ['priority', 'when'],
    });
  });

  const written = fc.record(
    {
      name: fc.constantFrom('Teas', 'Tea time'),
      priority: fc.constantFrom(10, 3, 4),
      notes: fc.constantFrom('one', 'two'),
      when: fc.constantFrom(BASE.when, later.when, longer.when),
      offer: fc.constantFrom(BASE.offer, offered({ formula: { percentOff: 2_000 } }).offer),
    },
    { requiredKeys: ['name', 'when', 'offer'] },
  );
  it('lose nothing: each part is what one of the two wrote, and what nobody touched stands', () => {
    fc.assert(
      fc.property(written, written, (one, two) => {
        const [mine, theirs] = [one, two].map(
          (said) => ({ id: 'teas', status: 'draft', ...said }) as PromotionDocument,
        );
        const { merged, touching } = mergePromotions(BASE, mine!, theirs!);
        expect(mergePromotions(BASE, theirs!, mine!).touching).toEqual(touching);
        for (const key of ['name', 'priority', 'notes', 'when'] as const) {
          const isSame = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
          const wanted = isSame(mine![key], BASE[key]) ? theirs![key] : mine![key];
          expect(merged[key]).toEqual(wanted);
        }
        expect(mergePromotions(BASE, mine!, BASE).merged).toEqual(mine);
        expect(mergePromotions(BASE, BASE, theirs!).merged).toEqual(theirs);
      }),
    );
  });
});
