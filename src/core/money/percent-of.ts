import { halfAwayFromZero } from './half-away-from-zero.ts';
import { ratio } from './ratio.ts';

/** Products up to here are whole numbers without big integers. */
const SAFE = Number.MAX_SAFE_INTEGER / 10_001;

/** A percentage of an amount as a reduction: whole minor units, half away from zero (pricing rules 4.6). */
export function percentOf(amount: number, basisPoints: number): number {
  return amount <= SAFE
    ? Math.floor((amount * basisPoints + 5_000) / 10_000)
    : Number(halfAwayFromZero(ratio(BigInt(amount) * BigInt(basisPoints), 10_000)));
}
