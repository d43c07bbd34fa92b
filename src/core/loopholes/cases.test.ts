import { describe, expect, it } from 'vitest';
import { change, compiled, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { Instant } from '../calendar/index.ts';
import type { PlanDocument } from '../plan/index.ts';
import { GUEST } from '../tag-price/index.ts';
import { casesOf, kindsOfStores } from './index.ts';

const NOON = Date.parse('2027-03-03T11:00Z') as Instant;
/** Three more stores like the one in the west. */
const stores = [...SMALL.stores, ...['w2', 'w3', 'w4'].map((id) => ({ ...SMALL.stores[1]!, id, name: id }))];
const asked = (plan: PlanDocument) =>
  [compiled({ ...plan, stores }), stores.map(({ id }) => id), () => NOON, GUEST] as const;
const WHEN = { from: '2027-03-01T09:00', to: '2027-03-08T20:00' };

describe('stores that come to the same', () => {
  it('are one case as long as prices, offers and codes are alike', () => {
    const whole = casesOf(...asked(SMALL));
    expect(whole).toHaveLength(kindsOfStores(...asked(SMALL)).length);
    const west = whole.find((same) => same.includes('w2'))!;
    expect(west).toEqual(expect.arrayContaining(['w2', 'w3', 'w4']));
    const only = { stores: ['w3'] };
    const cheaper = withPromotions(change('here', { when: WHEN, where: only, items: { items: ['milk'] } }));
    expect(casesOf(...asked(cheaper)).find((same) => same.includes('w3'))).toEqual(['w3']);
    const coded = withPromotions(
      change('coded', { when: WHEN, where: only, items: { items: ['milk'] }, codes: ['C'] }),
    );
    expect(casesOf(...asked(coded)).find((same) => same.includes('w3'))).toEqual(['w3']);
    expect(kindsOfStores(...asked(coded)).find((same) => same.includes('w3'))).toEqual(['w3']);
  });

  it('are cases of their own where one has a price of its own, but of one kind', () => {
    const items = SMALL.items.map((item) =>
      item.sku === 'milk' ? { ...item, prices: [...item.prices, { price: '0.50', store: 'w4' }] } : item,
    );
    const plan = { ...SMALL, items };
    expect(casesOf(...asked(plan)).find((same) => same.includes('w4'))).toEqual(['w4']);
    expect(kindsOfStores(...asked(plan)).find((same) => same.includes('w4'))).toContain('w2');
  });
});
