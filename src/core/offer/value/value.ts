import { type BasisPoints, type Currency, type MinorUnits, readAmount } from '../../money/index.ts';

/** A value as it stands in a plan document: exactly one of these. */
export type ValueDocument =
  | { percentOff: number }
  | { amountOff: string }
  | { amountOffEach: string }
  | { each: string }
  | { total: string };

/** What one unit is made to cost, or how much is taken off it. */
export type UnitValue =
  | { readonly kind: 'each'; readonly amount: MinorUnits }
  | { readonly kind: 'percentOff'; readonly percent: BasisPoints }
  | { readonly kind: 'amountOffEach'; readonly amount: MinorUnits };

/** Reads the value of a unit that has been checked before. */
export function readUnitValue(value: ValueDocument, currency: Currency): UnitValue {
  if ('percentOff' in value) return { kind: 'percentOff', percent: value.percentOff as BasisPoints };
  if ('each' in value) return { kind: 'each', amount: readAmount(value.each, currency) };
  if ('amountOffEach' in value)
    return { kind: 'amountOffEach', amount: readAmount(value.amountOffEach, currency) };
  throw new Error('unchecked value of a unit');
}
