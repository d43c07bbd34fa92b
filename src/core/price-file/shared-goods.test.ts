import { expect, it } from 'vitest';
import { crowdedChain } from '../../../tests/plans/crowded-chain.ts';
import type { Instant } from '../calendar/index.ts';
import { type PlanDocument, readPlan } from '../plan/index.ts';
import { compile } from '../price-book/index.ts';
import { manifestOf, manifests, storePlan, storePlans } from './index.ts';

const NOW = Date.parse('2027-03-01T12:00Z') as Instant;

/** A chain in which some stores have prices of their own, of goods that others have none of. */
function chain(): PlanDocument {
  const document = crowdedChain(
    { stores: 24, zones: 3, groups: 5, items: 80, priceChanges: 30 },
    '2027-03-01',
  );
  const [first, second, ...others] = document.items;
  const own = (item: PlanDocument['items'][number], store: number, price: string) => ({
    ...item,
    prices: [...item.prices, { price, store: document.stores[store]!.id }],
  });
  return { ...document, items: [own(own(first!, 0, '1.11'), 4, '2.22'), own(second!, 4, '3.33'), ...others] };
}

const document = chain();
const compiled = compile(readPlan(document));

it('what stores share is for each of them what it would be alone, in whatever order they are asked for', () => {
  const ids = document.stores.map(({ id }) => id);
  for (const order of [ids, ids.toReversed()]) {
    const [planOf, manifestIn] = [storePlans(document, compiled, NOW), manifests()];
    for (const id of order) {
      const alone = storePlan(document, compiled, id, NOW);
      const shared = planOf(id);
      expect(shared).toEqual(alone);
      expect(manifestIn(shared)).toEqual(manifestOf(alone));
    }
  }
});

it('a price of one store goes to no other', () => {
  const planOf = storePlans(document, compiled, NOW);
  const own = document.stores.map(({ id }) =>
    planOf(id)
      .items.flatMap(({ prices }) =>
        prices.flatMap(({ store, price }) => (store ? [`${store} ${price}`] : [])),
      )
      .join(', '),
  );
  const [one, five] = [document.stores[0]!.id, document.stores[4]!.id];
  expect(own.filter(Boolean)).toEqual([`${one} 1.11`, `${five} 2.22, ${five} 3.33`]);
});

it('stores with the same goods and no price of their own share the very same list', () => {
  const planOf = storePlans(document, compiled, NOW);
  const lists = new Set(document.stores.map(({ id }) => planOf(id).items));
  expect(lists.size).toBeLessThan(document.stores.length);
});
