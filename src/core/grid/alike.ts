import { mixer, NO_PRICE } from '../price-book/index.ts';
import type { Rows } from './side.ts';

/** Stands for a price that is the same on both sides, whatever made it. */
const SAME = -2;

/** Rows that have one fingerprint have the same prices for the goods, by the same promotions, and the same before. */
export function fingerprint({ now, was }: Rows, goods: Int32Array): string {
  const mixed = mixer();
  mixed.put(now ? 1 : 2);
  mixed.put(was ? 1 : 2);
  for (let i = 0; i < goods.length; i++) {
    const position = goods[i]!;
    const price = now ? now.prices[position]! : NO_PRICE;
    mixed.put(price);
    mixed.put(now ? now.winners[position]! : -1);
    if (!was) continue;
    const before = was.prices[position]!;
    mixed.put(before === price ? SAME : before);
    if (before !== price) mixed.put(was.winners[position]!);
  }
  return mixed.text();
}
