/** Every kind of promotion that can be begun, in the order in which they are offered. */
export const DEAL_KINDS = {
  priceChange: {
    name: 'Price change',
    does: 'Another price on the shelf: a percentage less, a set price, a margin',
  },
  quantityBreak: { name: 'Quantity break', does: 'The more of it, the cheaper each: from 3 on, from 6 on' },
  bundle: { name: 'Several for one price', does: '3 for 11.00, or 2 at 20 % less, mixed from a choice' },
  rewardUnit: {
    name: 'One of several cheaper',
    does: 'The cheapest of every three is free, or half its price',
  },
  buyAndGet: { name: 'Buy these, get those', does: 'With two of these, one of those is free or cheaper' },
  combo: { name: 'Combo', does: 'One of each for one price: something from every choice' },
  freeGoods: { name: 'Free goods', does: 'One free of every twelve, or a gift on top' },
  basketReward: { name: 'Basket reward', does: 'Money off the whole basket, from an amount or a number on' },
  deliveryReward: { name: 'Delivery', does: 'Delivery free, at a flat price, or cheaper' },
} as const satisfies Record<string, { name: string; does: string }>;

export type DealKind = keyof typeof DEAL_KINDS;
export const isDealKind = (text: string | null): text is DealKind =>
  text !== null && Object.hasOwn(DEAL_KINDS, text);
