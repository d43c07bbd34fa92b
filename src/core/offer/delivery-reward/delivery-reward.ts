import { type BasisPoints, type MinorUnits, readAmount } from '../../money/index.ts';
import type { Offer, OfferDocument } from '../../plan/index.ts';
import {
  type Conditions,
  type ConditionsDocument,
  readConditions,
  readWeight,
} from '../conditions/conditions.ts';
import type { OfferInPlan } from '../room/in-plan.ts';

export interface DeliveryRewardDocument {
  kind: 'deliveryReward';
  ways?: string[];
  conditions?: ConditionsDocument & { subtotal?: string };
  maxItemWeight?: string;
  value: { free: true } | { flat: string } | { percentOff: number };
}

export interface DeliveryReward {
  readonly kind: 'deliveryReward';
  /** Null: every way. */
  readonly ways: readonly string[] | null;
  readonly conditions: Conditions;
  readonly subtotal: MinorUnits | null;
  /** Thousandths of a kilogram. */
  readonly maxItemWeight: number | null;
  readonly value:
    | { readonly kind: 'free' }
    | { readonly kind: 'flat'; readonly amount: MinorUnits }
    | { readonly kind: 'percentOff'; readonly percent: BasisPoints };
}

export const deliveryReward: OfferInPlan<DeliveryRewardDocument, DeliveryReward> = {
  over: 'delivery',
  check({ conditions, value }, { path, context }) {
    context.amount(conditions?.subtotal, [...path, 'conditions', 'subtotal']);
    context.amount(conditions?.minLifetimeSpend, [...path, 'conditions', 'minLifetimeSpend']);
    if ('flat' in value) context.amount(value.flat, [...path, 'value', 'flat']);
  },
  read: ({ ways, conditions, maxItemWeight, value }, currency) => ({
    kind: 'deliveryReward',
    ways: ways ?? null,
    conditions: readConditions(conditions, currency),
    subtotal: conditions?.subtotal === undefined ? null : readAmount(conditions.subtotal, currency),
    maxItemWeight: readWeight(maxItemWeight),
    value:
      'flat' in value
        ? { kind: 'flat', amount: readAmount(value.flat, currency) }
        : 'free' in value
          ? { kind: 'free' }
          : { kind: 'percentOff', percent: value.percentOff as BasisPoints },
  }),
  withRules: (offer) => offer,
};

export const isDeliveryReward = <T extends Offer | OfferDocument>(
  offer: T,
): offer is Extract<T, { kind: 'deliveryReward' }> => offer.kind === 'deliveryReward';

/** The ways of delivery that an offer names. */
export const waysNamedBy = (offer: OfferDocument): readonly string[] =>
  isDeliveryReward(offer) ? (offer.ways ?? []) : [];
