import fc from 'fast-check';
import { expect, it } from 'vitest';
import { priceChanges, wallTimes } from '../../../tests/plans/generated.ts';
import { compiled, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { type DayNumber, dayNumber, parseLocalDate } from '../calendar/index.ts';
import { type PriceQuestion, priceAt } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { dueTags, NONE_HANGS, openingOf, promotionsOn, tagsOfDay } from './index.ts';
import { saysTheSame, standingsAt } from './standing.ts';

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

it('whatever the plan was when tags were hung, what must be hung anew is found, and nothing else', () => {
  const kinds = { off: 0, anew: 0, same: 0 };
  fc.assert(
    fc.property(
      ...[priceChanges, priceChanges, fc.constantFrom('east', 'west'), wallTimes],
      fc.boolean(),
      (once, then, id, text, goes) => {
        const further = { ...SMALL.items[0]!, sku: 'further', name: 'Further', gtin: undefined };
        const goods = goes ? [...SMALL.items, further] : SMALL.items;
        const hungBy = compiled({ ...withPromotions(...once), items: goods });
        const plan = compiled(withPromotions(...then.slice(1), ...once.slice(0, 1)));
        const store = plan.stores.get(id)!;
        const day = parseLocalDate(text.slice(0, 10)) as DayNumber;
        const due = dueTags(plan, { store, day, hungBy });
        const { tags, off } = tagsOfDay(plan, { store, day, hungBy });
        const told = new Map(tags.map(({ sku, edition }) => [sku, edition]));
        for (const { sku, gone } of off) if (gone) told.set(sku, NONE_HANGS);
        expect(due).toEqual(told);
        // The order in which a plan was put together is of no meaning.
        const turned = compiled(withPromotions(...[...then.slice(1), ...once.slice(0, 1)].reverse()));
        expect(dueTags(turned, { store: turned.stores.get(id)!, day, hungBy })).toEqual(due);
        const before = standingsAt(hungBy, store, openingOf(hungBy, store, dayNumber(day - 1)));
        const now = standingsAt(plan, store, openingOf(plan, store, day));
        for (const { sku } of goods) {
          const [was, is] = [before(hungBy.catalogue.indexOf.get(sku)!), plan.catalogue.indexOf.get(sku)];
          const standing = is === undefined ? null : now(is);
          const changed = (one: string) =>
            JSON.stringify(hungBy.plan.promotions.find((promotion) => promotion.id === one)) !==
            JSON.stringify(plan.plan.promotions.find((promotion) => promotion.id === one));
          const wanted = standing
            ? was === null || !saysTheSame(standing, was) || promotionsOn(standing).some(changed)
            : was !== null;
          kinds[!wanted ? 'same' : standing ? 'anew' : 'off'] += 1;
          expect([sku, due.has(sku)]).toEqual([sku, wanted]);
        }
      },
    ),
    { numRuns: 300 },
  );
  expect(Math.min(kinds.off, kinds.anew, kinds.same)).toBeGreaterThan(20);
});
