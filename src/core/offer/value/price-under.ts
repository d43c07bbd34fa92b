import { percentOf } from '../../money/index.ts';
import type { UnitValue } from './value.ts';

/** What a value makes of a unit's starting price. It never raises it, nor goes below zero. */
export function priceUnder(value: UnitValue, start: number): number {
  if (value.kind === 'each') return Math.min(value.amount, start);
  const off = value.kind === 'percentOff' ? percentOf(start, value.percent) : value.amount;
  return Math.max(0, start - off);
}
