import { halfAwayFromZero, ratio } from '../money/index.ts';
import type { UnitValue } from '../plan/index.ts';

/** Products up to here are whole numbers without big integers. */
const SAFE = Number.MAX_SAFE_INTEGER / 10_001;

/** A percentage of an amount as a reduction: whole minor units, half away from zero (pricing rules 4.6). */
export function percentOf(amount: number, basisPoints: number): number {
  return amount <= SAFE
    ? Math.floor((amount * basisPoints + 5_000) / 10_000)
    : Number(halfAwayFromZero(ratio(BigInt(amount) * BigInt(basisPoints), 10_000)));
}

/** What a value makes of a unit's starting price. It never raises it, nor goes below zero. */
export function priceUnder(value: UnitValue, start: number): number {
  if (value.kind === 'each') return Math.min(value.amount, start);
  const off = value.kind === 'percentOff' ? percentOf(start, value.percent) : value.amount;
  return Math.max(0, start - off);
}
