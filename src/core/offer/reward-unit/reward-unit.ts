import type { ItemRule } from '../../plan/index.ts';
import { type OfferInPlan, withItems } from '../room/in-plan.ts';
import { checkValue, UNIT_VALUES } from '../value/check.ts';
import { readUnitValue, type UnitValue, type ValueDocument } from '../value/index.ts';

export interface RewardUnitDocument {
  kind: 'mixAndMatch';
  items: ItemRule;
  take: number;
  rewarded: number;
  pick: 'cheapest' | 'dearest';
  value: ValueDocument;
}

export interface RewardUnit {
  readonly kind: 'rewardUnit';
  readonly items: ItemRule;
  readonly take: number;
  readonly rewarded: number;
  readonly pick: 'cheapest' | 'dearest';
  readonly value: UnitValue;
}

export const rewardUnit: OfferInPlan<RewardUnitDocument, RewardUnit> = {
  over: 'units',
  check({ value, rewarded, take }, { path, context }) {
    checkValue(value, UNIT_VALUES, [...path, 'value'], context);
    if (rewarded > take)
      context.fault(
        [...path, 'rewarded'],
        `${rewarded} of ${take} units rewarded`,
        'at most as many as are taken',
      );
  },
  read: ({ items, take, rewarded, pick, value }, currency) => ({
    kind: 'rewardUnit',
    items,
    take,
    rewarded,
    pick,
    value: readUnitValue(value, currency),
  }),
  withRules: withItems,
};
