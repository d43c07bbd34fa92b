import { describe, expect, it } from 'vitest';
import { change, compiled, withPromotions } from '../../../tests/plans/small-plan.ts';
import { formatWallTime } from '../calendar/index.ts';
import { type PromotionDocument, readPromotion } from '../plan/index.ts';
import { apply } from '../price-book/index.ts';
import { type Finding, findOverlaps, type Mend, mendsOf } from './index.ts';

const MARCH = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };
const LATER = { from: '2027-03-20T09:00', to: '2027-03-27T20:00' };
const spray = (id: string, off: number, said = {}) =>
  change(id, { when: MARCH, items: { items: ['spray', 'milk'] }, formula: { percentOff: off }, ...said });

/** The promotion as the mend makes it. */
function mended(document: PromotionDocument, mend: Mend): PromotionDocument {
  const { offer } = document;
  if ('at' in mend) {
    const moment = formatWallTime(mend.at);
    return { ...document, when: { ...document.when, [mend.kind === 'end' ? 'to' : 'from']: moment } };
  }
  if (mend.kind === 'go-first') return { ...document, priority: mend.priority };
  if (offer.kind !== 'priceChange') throw new Error('no price change');
  const items = { allOf: [offer.items, { not: { items: [...mend.items] } }] };
  return { ...document, offer: { ...offer, items } };
}

describe('a mend', () => {
  it.each<[string, PromotionDocument[], Finding['code'], number]>([
    ['two at one priority', [spray('a', 1000), spray('b', 2000)], 'overlap', 2],
    [
      'two of which one begins later',
      [spray('a', 1000), spray('b', 2000, { when: { from: '2027-03-04T09:00', to: '2027-03-11T20:00' } })],
      'overlap',
      4,
    ],
    [
      'one that never wins',
      [spray('a', 1000, { priority: 40 }), spray('b', 500, { priority: 60 })],
      'never-wins',
      1,
    ],
    [
      'one that would never win before two others',
      [
        spray('a', 1000, { priority: 40 }),
        spray('b', 500, { priority: 60 }),
        spray('c', 900, { priority: 20 }),
      ],
      'never-wins',
      1,
    ],
    ['below cost', [spray('a', 7000)], 'below-cost', 1],
    [
      'a price that is raised',
      [spray('a', 1000, { formula: { setTo: '30.00' }, mayRaise: true })],
      'raises-price',
      1,
    ],
    ['reduced again', [spray('a', 3000), spray('b', 1000, { when: LATER })], 'reduced-before', 1],
    [
      'reduced again for longer',
      [spray('a', 3000), spray('b', 1000, { when: { ...LATER, to: '2027-05-01T20:00' } })],
      'reduced-before',
      2,
    ],
  ])('of %s does away with it', (_, documents, code, count) => {
    const plan = compiled(withPromotions(...documents));
    const found = findOverlaps(plan).find((one) => one.code === code)!;
    const mends = mendsOf(found, plan);
    expect(mends).toHaveLength(count);
    for (const mend of mends) {
      const document = documents.find(({ id }) => id === mend.promotion)!;
      const promotion = readPromotion(mended(document, mend), plan.plan.currency);
      const after = apply(plan, { kind: 'put-promotion', promotion }).compiled;
      const left = findOverlaps(after).filter(
        (one) => one.code === code && one.promotions.join() === found.promotions.join(),
      );
      expect(left.flatMap(({ items }) => items).filter((sku) => found.items.includes(sku))).toEqual([]);
    }
  });

  it('is not offered where it cannot be told, or nothing could go before', () => {
    const first = [spray('a', 1000, { priority: 1 }), spray('b', 2000, { priority: 1 })];
    const plan = compiled(withPromotions(...first));
    const overlap = findOverlaps(plan).find(({ code }) => code === 'overlap')!;
    expect(mendsOf(overlap, plan)).toEqual([]);
    const all = Array.from({ length: 301 }, (_, i) => `sku-${i}`);
    const finding = { ...overlap, code: 'below-cost' as const, promotions: ['a'] };
    expect(mendsOf({ ...finding, items: all }, plan)).toEqual([]);
    expect(mendsOf({ ...finding, items: [] }, plan)).toEqual([]);
    expect(mendsOf({ ...finding, code: 'open-end' }, plan)).toEqual([]);
    expect(mendsOf({ ...finding, promotions: ['gone'] }, plan)).toEqual([]);
  });
});
