import type { ItemRule } from '../../plan/index.ts';
import type { CountedBy } from '../counted/counted-by.ts';
import { type OfferInPlan, withItems } from '../room/in-plan.ts';
import { checkTiers, UNIT_VALUES } from '../value/check.ts';
import { readUnitValue, type UnitValue, type ValueDocument } from '../value/index.ts';

export interface QuantityBreakDocument {
  kind: 'quantityBreak';
  items: ItemRule;
  count: CountedBy;
  beyond?: boolean;
  tiers: ({ atLeast: number } & ValueDocument)[];
}

export interface QuantityBreak {
  readonly kind: 'quantityBreak';
  readonly items: ItemRule;
  readonly count: CountedBy;
  /** Only the units past a tier's start get its value. */
  readonly beyond: boolean;
  /** By rising start. */
  readonly tiers: readonly { readonly atLeast: number; readonly value: UnitValue }[];
}

export const quantityBreak: OfferInPlan<QuantityBreakDocument, QuantityBreak> = {
  over: 'units',
  check: ({ tiers }, { path, context }) => checkTiers(tiers, UNIT_VALUES, path, context),
  read: (document, currency) => ({
    kind: 'quantityBreak',
    items: document.items,
    count: document.count,
    beyond: document.beyond ?? false,
    tiers: document.tiers.map((tier) => ({ atLeast: tier.atLeast, value: readUnitValue(tier, currency) })),
  }),
  withRules: withItems,
};
