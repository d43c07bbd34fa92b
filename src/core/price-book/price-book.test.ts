import { describe, expect, it } from 'vitest';
import { chain } from '../../../demo/chain.ts';
import { parsePlan } from '../../contracts/index.ts';
import { parseMoment } from '../calendar/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { book, compile, NO_PRICE, priceAt } from './index.ts';

const small = chain({ stores: 6, zones: 4, terminals: 6, items: 300, priceChanges: 60 }, '2026-11-25');
const parsed = parsePlan(small);
if (!parsed.ok) throw new Error('the small chain has faults');
const compiled = compile(parsed.plan);

describe('the price book', () => {
  it.each(['s001', 's003'])('is in store %s, item by item, what the explained rule says', (store) => {
    const at = parseMoment('2026-11-26T18:30', compiled.clockOf(compiled.stores.get(store)!))!;
    const { prices } = book(compiled, at, [store]);
    compiled.plan.items.forEach(({ sku }, i) => {
      const answer = priceAt(compiled, { sku, store, at, shopper: GUEST });
      expect(prices[i], sku).toBe(answer.kind === 'price' ? answer.price : NO_PRICE);
    });
  });

  it('does not depend on the order of promotions in the plan', () => {
    const turned = parsePlan({ ...small, promotions: [...small.promotions].reverse() });
    if (!turned.ok) throw new Error('faults');
    const at = parseMoment('2026-11-26T18:30', compiled.clockOf(compiled.stores.get('s001')!))!;
    expect(book(compile(turned.plan), at, ['s001'])).toEqual(book(compiled, at, ['s001']));
  });
});
