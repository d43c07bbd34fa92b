import type { PlanDocument } from '../src/core/plan/index.ts';
import { deals } from './deals.ts';
import { goods } from './goods.ts';
import { places, zoneIds } from './places.ts';
import { promotions } from './promotions.ts';
import { seeded } from './seeded.ts';
import { weeksAround } from './weeks.ts';

export interface ChainSize {
  readonly stores: number;
  readonly zones: number;
  readonly terminals: number;
  readonly items: number;
  readonly priceChanges: number;
  /** Deals over the basket; absent: none. */
  readonly deals?: number;
}

export const DEMO: ChainSize = {
  stores: 48,
  zones: 4,
  terminals: 130,
  items: 4000,
  priceChanges: 60,
  deals: 44,
};
export const LARGE: ChainSize = {
  stores: 1000,
  zones: 8,
  terminals: 3000,
  items: 50_000,
  priceChanges: 1000,
  deals: 300,
};

/** Trade customers pay a fifth less for what they buy most. */
const traded = (price: string): string => (Math.round(Number(price) * 80) / 100).toFixed(2);

/**
 * Quillmere, a made-up chain of drugstores.
 * @param today a local date; promotions start and end around it.
 */
export function chain(size: ChainSize, today: string, seed = 7): PlanDocument {
  const random = seeded(seed);
  const weeks = weeksAround(today);
  const where = places(size.stores, size.zones, size.terminals, random);
  const { nodes, items } = goods(
    {
      items: size.items,
      zones: zoneIds(size.zones),
      stores: where.stores.map(({ id }) => id),
      past: weeks.day(-45),
      ahead: weeks.day(12),
    },
    random,
  );
  return {
    format: 'bell-tag-plan',
    version: 1,
    name: 'Quillmere',
    currency: 'EUR',
    policy: { priceChanges: 'priority', baskets: 'best', marginFloor: 1000 },
    nodes: nodes.map(({ kind: _, department: __, ...node }) => node),
    items,
    itemSets: [
      {
        id: 'summer',
        name: 'Summer shelf',
        rule: { anyOf: [{ node: 'sun-care' }, { node: 'swim-nappies' }, { tag: 'travel-size' }] },
      },
      { id: 'own-label', name: 'Own label', rule: { brand: 'Quillmere' } },
    ],
    ...where,
    priceLists: [
      { id: 'members', name: 'Members', percent: -300, rounding: { step: '0.01', mode: 'down' } },
      { id: 'staff', name: 'Staff', percent: -1500, rounding: { step: '0.05', mode: 'up' } },
      {
        id: 'wrenfield',
        name: 'Wrenfield Practice',
        percent: -1100,
        rounding: { step: '0.05', mode: 'down' },
      },
      {
        id: 'trade',
        name: 'Trade',
        percent: -800,
        prices: Object.fromEntries(
          items
            .filter(({ prices }) => prices.length > 0)
            .slice(0, 40)
            .map((item) => [item.sku, traded(item.prices[0]!.price)]),
        ),
      },
    ],
    shopperGroups: [
      { id: 'members', name: 'Members', priceList: 'members', cards: { prefix: '2750', digits: 13 } },
      { id: 'staff', name: 'Staff', priceList: 'staff' },
      { id: 'trade', name: 'Trade customers', priceList: 'trade', joining: true },
      { id: 'students', name: 'Students' },
    ],
    shoppers: [
      { id: 'm-1001', groups: ['members'], pastOrders: 14, lifetimeSpend: '412.60' },
      { id: 't-2001', groups: ['trade'], pastOrders: 3, lifetimeSpend: '1904.00' },
      { id: 'wrenfield', name: 'Wrenfield Practice', groups: ['trade'], priceList: 'wrenfield' },
      ...['10001', '10002', '10003'].map((id) => ({ id, account: 'wrenfield' })),
    ],
    promotions: [
      ...promotions(size.priceChanges, weeks, nodes, random),
      ...deals(size.deals ?? 0, weeks, nodes, items),
    ],
  };
}
