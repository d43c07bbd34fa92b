import type { ItemRule, OfferDocument, PlanDocument, PromotionDocument } from '../src/core/plan/index.ts';

/** Numbers from a seed: a linear congruence, the same on every automaton. */
export function dice(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

const GROUPS = 60;
const IN_GROUP = 10;
const money = (cents: number): string => (cents / 100).toFixed(2);

/** A store's goods in groups of ten, and offers of all kinds over one to three groups or a brand across them. */
export function benchPlan(offers: number, seed: number): PlanDocument {
  const roll = dice(seed);
  const items = Array.from({ length: GROUPS * IN_GROUP }, (_, i) => ({
    sku: `i${i}`,
    name: `Item ${i}`,
    node: `g${Math.floor(i / IN_GROUP)}`,
    brand: `b${roll(25)}`,
    prices: [{ price: money(99 + roll(40) * 25) }],
  }));
  const promotions = Array.from(
    { length: offers },
    (_, i): PromotionDocument => ({
      id: `o${String(i).padStart(3, '0')}`,
      name: `Offer ${i}`,
      status: 'approved',
      priority: 1 + roll(5),
      when: { from: '2027-01-01T00:00' },
      ...(roll(12) === 0 ? { limitPerBasket: 1 + roll(3) } : {}),
      offer: anOffer(roll),
    }),
  );
  return {
    format: 'bell-tag-plan',
    version: 1,
    currency: 'EUR',
    nodes: Array.from({ length: GROUPS }, (_, i) => ({ id: `g${i}`, name: `Group ${i}` })),
    items,
    stores: [{ id: 'shop', name: 'Shop', timeZone: 'Europe/Madrid' }],
    promotions,
  };
}

function goods(roll: (below: number) => number): ItemRule {
  if (roll(4) === 0) return { brand: `b${roll(25)}` };
  const nodes = Array.from({ length: 1 + roll(3) }, () => ({ node: `g${roll(GROUPS)}` }));
  return nodes.length === 1 ? nodes[0]! : { anyOf: nodes };
}

function anOffer(roll: (below: number) => number): OfferDocument {
  const percentOff = (1 + roll(6)) * 500;
  switch (roll(8)) {
    case 0:
      return {
        kind: 'mixAndMatch',
        items: goods(roll),
        take: 2 + roll(3),
        value: { total: money(400 + roll(12) * 50) },
      };
    case 1:
      return { kind: 'mixAndMatch', items: goods(roll), take: 2 + roll(2), value: { percentOff } };
    case 2:
      return {
        kind: 'mixAndMatch',
        items: goods(roll),
        take: 3 + roll(2),
        rewarded: 1,
        pick: 'cheapest',
        value: { percentOff: 10_000 },
      };
    case 3:
      return {
        kind: 'mixAndMatch',
        items: goods(roll),
        take: 2,
        rewarded: 1,
        pick: 'cheapest',
        value: { percentOff: 5_000 },
      };
    case 4:
      return {
        kind: 'mixAndMatch',
        buy: [{ items: goods(roll), quantity: 1 + roll(2) }],
        get: { items: goods(roll), quantity: 1 },
        notDearer: roll(2) === 0,
        value: { percentOff: 5_000 + roll(2) * 5_000 },
      };
    case 5:
      return {
        kind: 'quantityBreak',
        items: goods(roll),
        count: (['item', 'family', 'set'] as const)[roll(3)]!,
        tiers: [
          { atLeast: 2 + roll(2), percentOff: 500 },
          { atLeast: 5 + roll(3), percentOff: 1_500 },
        ],
      };
    case 6:
      return {
        kind: 'combo',
        slots: Array.from({ length: 2 + roll(2) }, (_, i) => ({
          name: `Slot ${i}`,
          items: goods(roll),
          quantity: 1,
        })),
        value: { total: money(500 + roll(10) * 50) },
      };
    default:
      return {
        kind: 'freeGoods',
        items: goods(roll),
        count: 'set',
        every: 4 + roll(3),
        free: 1,
        parts: 'whole',
      };
  }
}

/** Lines of a basket as people fill them: mostly single pieces, out of some groups more than of others. */
export const benchLines = (lines: number, roll: (below: number) => number) =>
  shelfLines(
    lines,
    Array.from({ length: GROUPS }, (_, group) =>
      Array.from({ length: IN_GROUP }, (_item, i) => `i${group * IN_GROUP + i}`),
    ),
    roll,
  );

/** The same out of shelves of any chain. */
export function shelfLines(
  lines: number,
  shelves: readonly (readonly string[])[],
  roll: (below: number) => number,
): { sku: string; quantity: number }[] {
  const some = Array.from(
    { length: Math.max(3, Math.ceil(lines / 3)) },
    () => shelves[roll(shelves.length)]!,
  );
  return Array.from({ length: lines }, () => {
    const shelf = some[roll(some.length)]!;
    return { sku: shelf[roll(shelf.length)]!, quantity: [1, 1, 1, 2, 3][roll(5)]! };
  });
}

/** The hard family: forty pieces that are all in six offers, prices close to each other. */
export function adversarialPlan(seed: number): PlanDocument {
  const roll = dice(seed);
  const all = { all: true } as const;
  const offers: OfferDocument[] = [
    { kind: 'mixAndMatch', items: all, take: 3, value: { total: money(700 + roll(300)) } },
    { kind: 'mixAndMatch', items: all, take: 5, value: { total: money(1_100 + roll(500)) } },
    {
      kind: 'mixAndMatch',
      items: all,
      take: 4,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 10_000 },
    },
    { kind: 'mixAndMatch', items: all, take: 7, rewarded: 2, pick: 'cheapest', value: { percentOff: 9_000 } },
    {
      kind: 'mixAndMatch',
      items: all,
      take: 2,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 3_000 + roll(20) * 100 },
    },
    { kind: 'quantityBreak', items: all, count: 'set', tiers: [{ atLeast: 6, percentOff: 1_200 }] },
  ];
  return {
    format: 'bell-tag-plan',
    version: 1,
    currency: 'EUR',
    nodes: [{ id: 'g', name: 'Group' }],
    items: Array.from({ length: 40 }, (_, i) => ({
      sku: `i${i}`,
      name: `Item ${i}`,
      node: 'g',
      prices: [{ price: money(200 + roll(400)) }],
    })),
    stores: [{ id: 'shop', name: 'Shop', timeZone: 'Europe/Madrid' }],
    promotions: offers.map((offer, i) => ({
      id: `o${i}`,
      name: `Offer ${i}`,
      status: 'approved',
      when: { from: '2027-01-01T00:00' },
      offer,
    })),
  };
}

const COMBO_GROUPS = 6;
const COMBO_ITEMS = 60;

/** Several combos of four slots over the same goods: each slot has the choice of two groups. */
export function comboPlan(seed: number): PlanDocument {
  const roll = dice(seed);
  const slot = (name: string) => ({
    name,
    quantity: 1,
    items: { anyOf: [{ node: `g${roll(COMBO_GROUPS)}` }, { node: `g${roll(COMBO_GROUPS)}` }] },
  });
  return {
    format: 'bell-tag-plan',
    version: 1,
    currency: 'EUR',
    nodes: Array.from({ length: COMBO_GROUPS }, (_, i) => ({ id: `g${i}`, name: `Group ${i}` })),
    items: Array.from({ length: COMBO_ITEMS }, (_, i) => ({
      sku: `i${i}`,
      name: `Item ${i}`,
      node: `g${i % COMBO_GROUPS}`,
      prices: [{ price: money(100 + roll(400)) }],
    })),
    stores: [{ id: 'shop', name: 'Shop', timeZone: 'Europe/Madrid' }],
    promotions: Array.from({ length: 4 }, (_, i) => ({
      id: `c${i}`,
      name: `Combo ${i}`,
      status: 'approved',
      when: { from: '2027-01-01T00:00' },
      offer: {
        kind: 'combo',
        slots: ['One', 'Two', 'Three', 'Four'].map(slot),
        value: { total: money(700 + roll(300)) },
      },
    })),
  };
}

/** Single pieces of those goods. */
export const comboLines = (units: number, roll: (below: number) => number) => () =>
  Array.from({ length: units }, () => ({ sku: `i${roll(COMBO_ITEMS)}`, quantity: 1 }));
