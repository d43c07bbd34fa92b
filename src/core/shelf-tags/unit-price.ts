import { halfAwayFromZero, type MinorUnits, minorUnits, ratio } from '../money/index.ts';
import type { Item } from '../plan/index.ts';

/** What a kilogram, a litre, a metre or a piece of something comes to. */
export interface UnitPrice {
  readonly price: MinorUnits;
  readonly of: 'kg' | 'l' | 'm' | 'piece';
}

/**
 * The price of a unit of measure: by what a pack holds, else that of what is sold by measure already.
 * @returns null where neither is known; rounded to the nearest minor unit, a tie away from zero.
 */
export function unitPriceOf(
  { content, unit }: Pick<Item, 'content' | 'unit'>,
  price: MinorUnits,
): UnitPrice | null {
  if (!content) return unit && unit !== 'each' ? { price, of: unit } : null;
  const [whole, decimals = ''] = content.amount.split('.');
  const held = BigInt(whole + decimals);
  const scale = 10n ** BigInt(decimals.length);
  return {
    price: minorUnits(Number(halfAwayFromZero(ratio(BigInt(price) * scale, held)))),
    of: content.unit,
  };
}
