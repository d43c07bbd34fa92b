import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priceChanges } from '../../../tests/plans/generated.ts';
import { withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PlanDocument } from '../plan/index.ts';
import { changed, changeTo, inKeyOrder, manifestOf, type PriceFileContent } from './index.ts';

const contentOf = (plan: PlanDocument, number: number): Required<PriceFileContent> => ({
  ...{ format: 'bell-tag-price-file', version: 1, store: 'east', number },
  ...{ madeAt: `made ${number}`, goodUntil: `good ${number}`, key: `key ${number}` },
  plan: inKeyOrder(plan),
});

/** The small plan with some of its goods, some of them dearer, some renamed, and these promotions. */
const plans = fc
  .tuple(priceChanges, fc.infiniteStream(fc.nat(5)), fc.boolean())
  .map(([promotions, chance, renamed]): PlanDocument => {
    const plan = withPromotions(...promotions);
    const items = plan.items.flatMap((item) => {
      const kind = chance.next().value;
      if (kind === 0) return [];
      return kind === 1 ? { ...item, name: `${item.name}, new` } : item;
    });
    return {
      ...plan,
      items,
      ...(renamed ? { nodes: plan.nodes.map((node) => ({ ...node, name: 'N' })) } : {}),
    };
  });

describe('a difference between two price files', () => {
  it('makes the second of the first, whatever they hold', () => {
    fc.assert(
      fc.property(plans, plans, (first, second) => {
        const [before, after] = [contentOf(first, 7), contentOf(second, 8)];
        const change = changeTo(manifestOf(first), manifestOf(second), after);
        expect(changed(before, 8, JSON.parse(JSON.stringify(change)))).toEqual(
          JSON.parse(JSON.stringify(after)),
        );
      }),
      { numRuns: 100 },
    );
  });

  it('of a plan to itself is its dates and its key alone', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const after = contentOf(plan, 8);
        const { madeAt, goodUntil, key } = after;
        const nothing = { put: [], drop: [] };
        expect(changeTo(manifestOf(plan), manifestOf(plan), after)).toEqual({
          ...{ madeAt, goodUntil, key, rest: null, items: nothing, promotions: nothing },
        });
      }),
      { numRuns: 25 },
    );
  });
});
