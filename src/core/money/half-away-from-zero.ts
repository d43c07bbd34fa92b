import { floorOf, type Ratio, ratio } from './ratio.ts';

/** Rounds to the nearest whole minor unit; a tie goes away from zero (pricing rules 1). */
export function halfAwayFromZero(value: Ratio): bigint {
  if (value.num < 0n) return -halfAwayFromZero({ num: -value.num, den: value.den });
  return floorOf(ratio(2n * value.num + value.den, 2n * value.den));
}
