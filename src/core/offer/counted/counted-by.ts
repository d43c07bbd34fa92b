import type { Goods } from '../room/goods.ts';
import type { Unit } from '../room/unit.ts';

/** How units are counted together: each item by itself, the variants of one parent, or everything selected. */
export type CountedBy = 'item' | 'family' | 'set';

/** What units are counted together by. */
export function countedBy(count: CountedBy, unit: Unit, goods: Goods): string {
  if (count === 'set') return '';
  return count === 'item' ? goods.skuOf(unit.item) : goods.familyOf(unit.item);
}

/** How units are counted together, in words. */
export const COUNT_WORDS = {
  item: 'each item by itself',
  family: 'variants together',
  set: 'all of them together',
} as const;
