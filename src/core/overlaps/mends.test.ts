import { describe, expect, it } from 'vitest';
import { change, compiled, withPromotions } from '../../../tests/plans/small-plan.ts';
import { type PromotionDocument, readPromotion } from '../plan/index.ts';
import { apply, type CompiledPlan } from '../price-book/index.ts';
import { type Finding, findOverlaps, type Mend, mendsOf } from './index.ts';

const MARCH = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };
const LATER = { from: '2027-03-20T09:00', to: '2027-03-27T20:00' };
const spray = (id: string, off: number, said = {}) =>
  change(id, { when: MARCH, items: { items: ['spray', 'milk'] }, formula: { percentOff: off }, ...said });

const mendsIn = (plan: CompiledPlan, finding: Finding): Mend[] =>
  mendsOf(finding, (id) => plan.plan.promotions.find((one) => one.id === id));

/** The promotion as the mend makes it. */
function mended(document: PromotionDocument, mend: Mend): PromotionDocument {
  const { offer } = document;
  if (mend.kind === 'go-first') return { ...document, priority: mend.priority };
  if (offer.kind !== 'priceChange') throw new Error('no price change');
  const items = { allOf: [offer.items, { not: { items: [...mend.items] } }] };
  return { ...document, offer: { ...offer, items } };
}

describe('a mend', () => {
  it.each<[string, PromotionDocument[], Finding['code'], number]>([
    ['two at one priority', [spray('a', 1000), spray('b', 2000)], 'overlap', 2],
    ['below cost', [spray('a', 7000)], 'below-cost', 1],
    [
      'a price that is raised',
      [spray('a', 1000, { formula: { setTo: '30.00' }, mayRaise: true })],
      'raises-price',
      1,
    ],
    ['reduced again', [spray('a', 3000), spray('b', 1000, { when: LATER })], 'reduced-before', 1],
  ])('of %s does away with it', (_, documents, code, count) => {
    const plan = compiled(withPromotions(...documents));
    const found = findOverlaps(plan).find((one) => one.code === code)!;
    const mends = mendsIn(plan, found);
    expect(mends).toHaveLength(count);
    for (const mend of mends) {
      const document = documents.find(({ id }) => id === mend.promotion)!;
      const promotion = readPromotion(mended(document, mend), plan.plan.currency);
      const after = apply(plan, { kind: 'put-promotion', promotion }).compiled;
      const left = findOverlaps(after).filter((one) => one.code === code);
      expect(left.flatMap(({ items }) => items).filter((sku) => found.items.includes(sku))).toEqual([]);
    }
  });

  it('is not offered where it cannot be told, or nothing could go before', () => {
    const first = [spray('a', 1000, { priority: 1 }), spray('b', 2000, { priority: 1 })];
    const plan = compiled(withPromotions(...first));
    const overlap = findOverlaps(plan).find(({ code }) => code === 'overlap')!;
    expect(mendsIn(plan, overlap)).toEqual([]);
    const all = Array.from({ length: 301 }, (_, i) => `sku-${i}`);
    const finding = { ...overlap, code: 'below-cost' as const, promotions: ['a'] };
    expect(mendsIn(plan, { ...finding, items: all })).toEqual([]);
    expect(mendsIn(plan, { ...finding, items: [] })).toEqual([]);
    expect(mendsIn(plan, { ...finding, code: 'open-end' })).toEqual([]);
    expect(mendsIn(plan, { ...finding, promotions: ['gone'] })).toEqual([]);
  });
});
