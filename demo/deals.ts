import type { ItemDocument, ItemRule, OfferDocument, PromotionDocument } from '../src/core/plan/index.ts';
import type { HierarchyNode } from './hierarchy.ts';
import type { DayAt } from './promotions.ts';
import type { Seeded } from './seeded.ts';

interface Shelf {
  readonly node: HierarchyNode;
  /** Of the middle item, in cents. */
  readonly price: number;
  readonly skus: readonly string[];
}

type Deal = readonly [name: string, offer: OfferDocument];
type Make = (shelves: readonly [Shelf, Shelf, Shelf], random: Seeded) => Deal;

const money = (cents: number): string => (cents / 100).toFixed(2);
/** Down to the next half unit: a round price for the shelf edge. */
const round = (cents: number): string => money(Math.max(50, Math.floor(cents / 50) * 50));
const on = (shelf: Shelf): ItemRule => ({ node: shelf.node.id });

/** One of each kind; the list is gone through again and again, over other shelves. */
const KINDS: readonly Make[] = [
  ([a]) => {
    const total = round(a.price * 3 * 0.83);
    return [
      `3 for ${total}: ${a.node.name}`,
      { kind: 'mixAndMatch', items: on(a), take: 3, value: { total } },
    ];
  },
  ([a]) => [
    `Three for two: ${a.node.name}`,
    {
      kind: 'mixAndMatch',
      items: on(a),
      take: 3,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 10_000 },
    },
  ],
  ([a]) => [
    `Second at half price: ${a.node.name}`,
    {
      kind: 'mixAndMatch',
      items: on(a),
      take: 2,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 5_000 },
    },
  ],
  ([a]) => [
    `The more the cheaper: ${a.node.name}`,
    {
      kind: 'quantityBreak',
      items: on(a),
      count: 'family',
      tiers: [
        { atLeast: 3, percentOff: 1_000 },
        { atLeast: 6, percentOff: 2_000 },
      ],
    },
  ],
  ([a, b]) => [
    `${b.node.name} with ${a.node.name}`,
    {
      kind: 'mixAndMatch',
      buy: [{ items: on(a), quantity: 2 }],
      get: { items: on(b), quantity: 1 },
      notDearer: true,
      value: { percentOff: 10_000 },
    },
  ],
  ([a, b, c]) => {
    const total = round((a.price + b.price + c.price) * 0.8);
    return [
      `${a.node.name}, ${b.node.name} and ${c.node.name} for ${total}`,
      {
        kind: 'combo',
        slots: [a, b, c].map((shelf) => ({ name: shelf.node.name, items: on(shelf), quantity: 1 })),
        value: { total },
      },
    ];
  },
  ([a]) => [
    `One in five free: ${a.node.name}`,
    { kind: 'freeGoods', items: on(a), count: 'set', every: 5, free: 1, parts: 'whole' },
  ],
  ([a, b]) => [
    `A gift with ${a.node.name}`,
    {
      kind: 'freeGoods',
      items: on(a),
      count: 'set',
      every: 2,
      free: 1,
      parts: 'whole',
      gift: b.skus[0]!,
      maxFree: 2,
    },
  ],
  ([a], random) => [
    `Packs of two: ${a.node.name}`,
    { kind: 'mixAndMatch', items: on(a), take: 2, value: { percentOff: random.pick([1_000, 1_500, 2_000]) } },
  ],
];

/** Rewards of the whole basket, the same every time. */
const REWARDS: readonly (readonly [string, OfferDocument, Partial<PromotionDocument>])[] = [
  [
    'Five off from sixty',
    { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '60.00', amountOff: '5.00' }] },
    {},
  ],
  [
    'Members: a little off the basket',
    {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [
        { atLeast: '40.00', percentOff: 300 },
        { atLeast: '80.00', percentOff: 500 },
      ],
      maxDiscount: '10.00',
    },
    { who: { groups: ['members'] } },
  ],
  [
    'Welcome code',
    {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [{ atLeast: '20.00', percentOff: 1_000 }],
      combinesWith: 'none',
    },
    { codes: ['WELCOME-10'], uses: { perShopper: 1 } },
  ],
  [
    'Free delivery',
    { kind: 'deliveryReward', value: { free: true }, conditions: { subtotal: '35.00' }, maxItemWeight: '20' },
    {},
  ],
];

/** Deals over the basket, all live on the day, on shelves of their own and some of them on the same ones. */
export function deals(
  count: number,
  day: DayAt,
  nodes: readonly HierarchyNode[],
  items: readonly ItemDocument[],
  random: Seeded,
): PromotionDocument[] {
  const shelves = nodes.flatMap((node) => shelfOf(node, items));
  if (count === 0 || shelves.length < 3) return [];
  // Fewer shelves than deals: some units are wanted by several of them.
  const used = shelves.slice(0, Math.max(3, Math.floor(count * 0.7)));
  const many = Math.max(0, count - REWARDS.length);
  const units = Array.from({ length: many }, (_, i): PromotionDocument => {
    // Each round over the kinds begins at another shelf, so that no shelf has the same deal twice.
    const first = i * 5 + Math.floor(i / KINDS.length);
    const [a, b, c] = [0, 1, 2].map((step) => used[(first + step * 7) % used.length]!);
    const [name, offer] = KINDS[i % KINDS.length]!([a!, b!, c!], random);
    return {
      id: `deal-${String(i + 1).padStart(3, '0')}`,
      name,
      status: 'approved',
      priority: 40 + (i % 6) * 5,
      when: { from: `${day(-random.between(1, 12))}T08:00`, to: `${day(random.between(3, 25))}T20:00` },
      label: { default: name },
      ...(random.chance(0.15) ? { limitPerBasket: 2 } : {}),
      offer,
    };
  });
  const rewards = REWARDS.slice(0, count).map(
    ([name, offer, more], i): PromotionDocument => ({
      id: `reward-${i + 1}`,
      name,
      status: 'approved',
      priority: 70 + i,
      when: { from: `${day(-10)}T00:00`, to: `${day(30)}T20:00` },
      label: { default: name },
      ...more,
      offer,
    }),
  );
  return [...units, ...rewards];
}

/** A lowest place in the hierarchy with goods that are sold by the piece. */
function shelfOf(node: HierarchyNode, items: readonly ItemDocument[]): Shelf[] {
  if (!node.kind) return [];
  const sold = items.filter(
    (item) => item.node === node.id && item.unit === undefined && item.prices.length > 0,
  );
  if (sold.length < 4) return [];
  const prices = sold.map(({ prices }) => Math.round(Number(prices[0]!.price) * 100)).sort((x, y) => x - y);
  return [{ node, price: prices[Math.floor(prices.length / 2)]!, skus: sold.map(({ sku }) => sku) }];
}
