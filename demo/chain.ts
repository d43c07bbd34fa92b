import type { PlanDocument } from '../src/core/plan/index.ts';
import { deals } from './deals.ts';
import { goods } from './goods.ts';
import { places, zoneIds } from './places.ts';
import { dayAt, promotions } from './promotions.ts';
import { seeded } from './seeded.ts';

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

/**
 * Quillmere, a made-up chain of drugstores.
 * @param today a local date; promotions start and end around it.
 */
export function chain(size: ChainSize, today: string, seed = 7): PlanDocument {
  const random = seeded(seed);
  const day = dayAt(today);
  const where = places(size.stores, size.zones, size.terminals, random);
  const { nodes, items } = goods(
    {
      items: size.items,
      zones: zoneIds(size.zones),
      stores: where.stores.map(({ id }) => id),
      past: day(-45),
      ahead: day(12),
    },
    random,
  );
  return {
    format: 'bell-tag-plan',
    version: 1,
    name: 'Quillmere',
    currency: 'EUR',
    policy: { priceChanges: 'priority', baskets: 'best', marginFloor: 1000 },
    nodes: nodes.map(({ kind: _, ...node }) => node),
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
        id: 'trade',
        name: 'Trade',
        percent: -800,
        prices: Object.fromEntries(
          items
            .filter(({ prices }) => prices.length > 0)
            .slice(0, 40)
            .map((item) => [item.sku, item.cost!]),
        ),
      },
    ],
    shopperGroups: [
      { id: 'members', name: 'Members', priceList: 'members' },
      { id: 'staff', name: 'Staff', priceList: 'staff' },
      { id: 'trade', name: 'Trade customers', priceList: 'trade' },
      { id: 'students', name: 'Students' },
    ],
    shoppers: [
      { id: 'm-1001', groups: ['members'], pastOrders: 14, lifetimeSpend: '412.60' },
      { id: 't-2001', groups: ['trade'], pastOrders: 3, lifetimeSpend: '1904.00' },
    ],
    promotions: [
      ...promotions(size.priceChanges, day, nodes, random),
      ...deals(size.deals ?? 0, day, nodes, items, random),
    ],
  };
}
