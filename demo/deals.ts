import type { ItemDocument, ItemRule, OfferDocument, PromotionDocument } from '../src/core/plan/index.ts';
import type { HierarchyNode } from './hierarchy.ts';
import { plantedDeals } from './planted.ts';
import { cheapest, type Priced, type Shelf, shelvesOf, total } from './shelves.ts';
import type { Weeks } from './weeks.ts';

type Deal = readonly [name: string, offer: OfferDocument];
type Make = (shelves: readonly Shelf[]) => Deal;

const on = (shelf: Shelf): ItemRule => ({ node: shelf.node.id });
const alike = ({ middle }: Shelf): ItemRule => ({ items: middle.map(({ sku }) => sku) });
const sized = ({ node, middle }: Shelf): string => [node.name, middle[0]?.size].filter(Boolean).join(' ');
const least = ({ middle }: Shelf): Priced => middle[0]!;

/** How each kind of deal is made of its shelves. */
const KINDS = {
  oneTotal([a]) {
    const price = total([least(a!), least(a!), least(a!)], 0.83);
    return [
      `3 for ${price}: ${sized(a!)}`,
      { kind: 'mixAndMatch', items: alike(a!), take: 3, value: { total: price } },
    ];
  },
  threeForTwo: ([a]) => [
    `Three for two: ${a!.node.name}`,
    {
      kind: 'mixAndMatch',
      items: on(a!),
      take: 3,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 10_000 },
    },
  ],
  secondHalf: ([a]) => [
    `Second at half price: ${a!.node.name}`,
    {
      kind: 'mixAndMatch',
      items: on(a!),
      take: 2,
      rewarded: 1,
      pick: 'cheapest',
      value: { percentOff: 5_000 },
    },
  ],
  theMore: ([a]) => [
    `The more the cheaper: ${a!.node.name}`,
    {
      kind: 'quantityBreak',
      items: on(a!),
      count: 'family',
      tiers: [
        { atLeast: 3, percentOff: 1_000 },
        { atLeast: 6, percentOff: 2_000 },
      ],
    },
  ],
  withOther: ([a, b]) => [
    `${b!.node.name} at half price with ${a!.node.name}`,
    {
      kind: 'mixAndMatch',
      buy: [{ items: on(a!), quantity: 1 }],
      get: { items: on(b!), quantity: 1 },
      notDearer: true,
      value: { percentOff: 5_000 },
    },
  ],
  combo(shelves) {
    const price = total(shelves.map(least), 0.85);
    return [
      `${shelves.map(({ node }) => node.name).join(', ')} for ${price}`,
      {
        kind: 'combo',
        slots: shelves.map((shelf) => ({ name: shelf.node.name, items: alike(shelf), quantity: 1 })),
        value: { total: price },
      },
    ];
  },
  oneInFive: ([a]) => [
    `One in five free: ${a!.node.name}`,
    { kind: 'freeGoods', items: on(a!), count: 'set', every: 5, free: 1, parts: 'whole' },
  ],
  gift: ([a, b]) => [
    `${b!.node.name} as a gift with three: ${a!.node.name}`,
    {
      kind: 'freeGoods',
      items: on(a!),
      count: 'set',
      every: 3,
      free: 1,
      parts: 'whole',
      gift: cheapest(b!),
      maxFree: 2,
    },
  ],
  packs: ([a]) => [
    `Two with 15 % less: ${a!.node.name}`,
    { kind: 'mixAndMatch', items: on(a!), take: 2, value: { percentOff: 1_500 } },
  ],
} satisfies Readonly<Record<string, Make>>;

type Row = readonly [kind: keyof typeof KINDS, shelves: string, week: number, weeks: number];

/** No two of them want the same goods in the same week, so that the planted pair stands alone. */
const ROWS: readonly Row[] = [
  ['oneTotal', 'shower-gel', 0, 2],
  ['oneTotal', 'oat-bar', -1, 3],
  ['oneTotal', 'apple-spritzer', 0, 1],
  ['threeForTwo', 'plasters', -1, 2],
  ['threeForTwo', 'camomile-tea', 0, 2],
  ['threeForTwo', 'tea-lights', -2, 4],
  ['secondHalf', 'hand-soap', 0, 1],
  ['secondHalf', 'baby-shampoo', -1, 2],
  ['secondHalf', 'bath-salts', 0, 2],
  ['theMore', 'kitchen-roll', -2, 4],
  ['theMore', 'wet-wipes', 0, 2],
  ['theMore', 'toilet-paper', -1, 3],
  ['withOther', 'bottle soother', 0, 2],
  ['withOther', 'stomach-tea fennel-tea', -1, 2],
  ['combo', 'bandage wound-spray cooling-pack', 0, 3],
  ['combo', 'rice-cakes fruit-chips elderflower-drink', 0, 1],
  ['oneInFive', 'still-water', -1, 4],
  ['oneInFive', 'batteries-aa', 0, 2],
  ['gift', 'baby-oil nappy-balm', 0, 2],
  ['packs', 'teething-ring', -1, 2],
  ['packs', 'body-lotion', 0, 1],
  ['oneTotal', 'body-lotion', 2, 2],
  ['threeForTwo', 'hand-soap', 2, 1],
  ['secondHalf', 'shower-gel', 3, 1],
  ['theMore', 'tissues', 1, 2],
  ['combo', 'camomile-tea fennel-tea sleep-tea', 3, 1],
  ['oneInFive', 'oat-bar', 3, 2],
  ['packs', 'button-cell', 1, 2],
  ['gift', 'wet-wipes baby-oil', 3, 1],
  ['oneTotal', 'tissues', -6, 1],
  ['threeForTwo', 'shower-gel', -5, 2],
  ['secondHalf', 'oat-bar', -6, 1],
  ['withOther', 'bottle teething-ring', -6, 2],
  ['theMore', 'dental-floss', -6, 1],
  ['packs', 'tea-lights', -6, 1],
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
    {
      ...{ codes: ['WELCOME-10'], codeBatches: true, uses: { perShopper: 1, inAll: 2_000 } },
      label: { default: 'Welcome code', de: 'Willkommenscode', es: 'Código de bienvenida' },
    },
  ],
  [
    'Free delivery',
    { kind: 'deliveryReward', value: { free: true }, conditions: { subtotal: '35.00' }, maxItemWeight: '20' },
    {},
  ],
];

/** Deals over the basket: the mistakes, those of the flyers, and the rewards of the whole basket. */
export function deals(
  count: number,
  weeks: Weeks,
  nodes: readonly HierarchyNode[],
  items: readonly ItemDocument[],
): PromotionDocument[] {
  if (count === 0) return [];
  const shelf = shelvesOf(nodes, items);
  const units = [...plantedDeals(weeks, shelf)];
  for (let i = 0; units.length < count - REWARDS.length; i++) {
    const [kind, names, week, length] = ROWS[i % ROWS.length]!;
    const [name, offer] = (KINDS[kind] as Make)(names.split(' ').map(shelf));
    units.push({
      id: `deal-${String(i + 1).padStart(3, '0')}`,
      name,
      status: 'approved',
      priority: 40 + (i % 6) * 5,
      // A plan that asks for more has them all now.
      when: i < ROWS.length ? weeks.flyer(week, length) : weeks.flyer(0, 2),
      label: { default: name },
      ...(i % 7 === 3 ? { limitPerBasket: 2 } : {}),
      offer,
    });
  }
  const rewards = REWARDS.slice(0, count).map(
    ([name, offer, more], i): PromotionDocument => ({
      id: `reward-${i + 1}`,
      name,
      status: 'approved',
      priority: 70 + i,
      when: weeks.flyer(-2, 7),
      label: { default: name },
      ...more,
      offer,
    }),
  );
  return [...units.slice(0, Math.max(0, count - REWARDS.length)), ...rewards];
}
