import { type Currency, type MinorUnits, readAmount } from '../../money/index.ts';
import type { ItemRule } from '../../plan/index.ts';
import { type OfferInPlan, withItems } from '../room/in-plan.ts';
import { checkValue } from '../value/check.ts';
import { readUnitValue, type UnitValue, type ValueDocument } from '../value/index.ts';

export interface BundleDocument {
  kind: 'mixAndMatch';
  items: ItemRule;
  take: number;
  value: ValueDocument;
}

export interface Bundle {
  readonly kind: 'bundle';
  readonly items: ItemRule;
  readonly take: number;
  readonly value:
    | Exclude<UnitValue, { kind: 'amountOffEach' }>
    | { readonly kind: 'total'; readonly amount: MinorUnits }
    /** Off the whole bundle. */
    | { readonly kind: 'amountOff'; readonly amount: MinorUnits };
}

export const bundle: OfferInPlan<BundleDocument, Bundle> = {
  over: 'units',
  check: ({ value }, { path, context }) =>
    checkValue(value, ['total', 'percentOff', 'amountOff', 'each'], [...path, 'value'], context),
  read: ({ items, take, value }, currency) => ({
    kind: 'bundle',
    items,
    take,
    value: readBundleValue(value, currency),
  }),
  withRules: withItems,
};

function readBundleValue(value: ValueDocument, currency: Currency): Bundle['value'] {
  if ('total' in value) return { kind: 'total', amount: readAmount(value.total, currency) };
  if ('amountOff' in value) return { kind: 'amountOff', amount: readAmount(value.amountOff, currency) };
  const unit = readUnitValue(value, currency);
  if (unit.kind === 'amountOffEach') throw new Error('unchecked value of a bundle');
  return unit;
}
