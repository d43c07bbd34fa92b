import { NO_PRICE } from '../price-book/index.ts';
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

/** Two numbers of 32 bits, mixed apart: what differs comes to the same ones once in 10^19 pairs. */
function mixer(): { put(value: number): void; text(): string } {
  let first = 1;
  let second = 3;
  const mix = (value: number): void => {
    first = Math.imul(first ^ value, 0x9e3779b1);
    first ^= first >>> 15;
    second = Math.imul(((second << 7) | (second >>> 25)) ^ value, 0x85ebca6b);
  };
  return {
    put(value) {
      mix(value | 0);
      // What needs more than 32 bits.
      if (value > 0xffffffff) mix(Math.floor(value / 2 ** 32));
    },
    text: () => `${first} ${second}`,
  };
}
