import fc from 'fast-check';
import { expect, it } from 'vitest';
import { priceChanges, wallTimes } from '../../../tests/plans/generated.ts';
import { compiled, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { type DayNumber, dayNumber, parseLocalDate } from '../calendar/index.ts';
import { type PriceQuestion, priceAt } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { openingOf, tagsOfDay } from './index.ts';

it('whatever the price changes are, tags hold what is sold at its price, and hang anew where that is another', () => {
  let anew = 0;
  fc.assert(
    fc.property(priceChanges, fc.constantFrom('east', 'west'), wallTimes, (all, id, text) => {
      const plan = compiled(withPromotions(...all));
      const store = plan.stores.get(id)!;
      const day = parseLocalDate(text.slice(0, 10)) as DayNumber;
      const on = (which: DayNumber, sku: string) => {
        const at = openingOf(plan, store, which);
        const answer = priceAt(plan, { sku, store: id, at, shopper: GUEST } satisfies PriceQuestion);
        if (answer.kind === 'problem') return null;
        const first = answer.winner ?? answer.onTop[0];
        return { price: answer.price, promotion: first?.promotion ?? null };
      };
      const tags = tagsOfDay(plan, { store, day, which: 'all' }).tags;
      const sold = SMALL.items.flatMap(({ sku }) => (on(day, sku) ? [{ sku, ...on(day, sku) }] : []));
      const told = tags.map(({ sku, price, promotion }) => ({ sku, price, promotion }));
      expect(new Set(told.map((one) => JSON.stringify(one)))).toEqual(
        new Set(sold.map((one) => JSON.stringify(one))),
      );
      const hung = new Set(tagsOfDay(plan, { store, day }).tags.map(({ sku }) => sku));
      for (const { sku, price, promotion } of told) {
        const before = on(dayNumber(day - 1), sku);
        if (before?.price === price && before.promotion === promotion) continue;
        anew += 1;
        expect(hung).toContain(sku);
      }
    }),
    { numRuns: 200 },
  );
  expect(anew).toBeGreaterThan(10);
});
