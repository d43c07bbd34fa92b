import { type BasisPoints, type Currency, type MinorUnits, readAmount } from '../../money/index.ts';
import type { ItemRule, Offer, OfferDocument } from '../../plan/index.ts';
import { type Conditions, type ConditionsDocument, readConditions } from '../conditions/conditions.ts';
import { type MapRule, type OfferCheck, type OfferInPlan, withItems } from '../room/in-plan.ts';
import { checkTiers } from '../value/check.ts';
import type { ValueDocument } from '../value/index.ts';

export interface BasketRewardDocument {
  kind: 'basketReward';
  items?: ItemRule;
  conditions?: ConditionsDocument;
  measure?: 'after' | 'before';
  threshold: 'subtotal' | 'units';
  tiers: ({ atLeast: string | number } & ValueDocument)[];
  maxDiscount?: string;
  combinesWith?: 'all' | 'none' | string[];
  skipDiscounted?: boolean;
}

export interface BasketReward {
  readonly kind: 'basketReward';
  readonly items: ItemRule;
  readonly conditions: Conditions;
  readonly measure: 'after' | 'before';
  readonly threshold: 'subtotal' | 'units';
  /** `atLeast` in minor units or in units, by the threshold. */
  readonly tiers: readonly {
    readonly atLeast: number;
    readonly value:
      | { readonly kind: 'amountOff'; readonly amount: MinorUnits }
      | { readonly kind: 'percentOff'; readonly percent: BasisPoints };
  }[];
  readonly maxDiscount: MinorUnits | null;
  readonly combinesWith: 'all' | 'none' | readonly string[];
  readonly skipDiscounted: boolean;
}

export const basketReward: OfferInPlan<BasketRewardDocument, BasketReward> = {
  over: 'goods',
  check: checkReward,
  read: (document, currency) => ({
    kind: 'basketReward',
    items: document.items ?? { all: true },
    conditions: readConditions(document.conditions, currency),
    measure: document.measure ?? 'after',
    threshold: document.threshold,
    tiers: document.tiers.map((tier) => ({
      atLeast: typeof tier.atLeast === 'string' ? readAmount(tier.atLeast, currency) : tier.atLeast,
      value: readRewardValue(tier, currency),
    })),
    maxDiscount: document.maxDiscount === undefined ? null : readAmount(document.maxDiscount, currency),
    combinesWith: document.combinesWith ?? 'all',
    skipDiscounted: document.skipDiscounted ?? false,
  }),
  withRules: <T extends BasketRewardDocument | BasketReward>(offer: T, map: MapRule): T =>
    offer.items === undefined ? offer : withItems(offer as T & { items: ItemRule }, map),
};

function checkReward(offer: BasketRewardDocument, { promotion, path, context }: OfferCheck): void {
  if (promotion.alone)
    context.fault(
      [...path.slice(0, -1), 'alone'],
      'a basket reward that is `alone`',
      '`combinesWith` in its offer',
    );
  checkTiers(offer.tiers, ['amountOff', 'percentOff'], path, context);
  context.amount(offer.maxDiscount, [...path, 'maxDiscount']);
  context.amount(offer.conditions?.minLifetimeSpend, [...path, 'conditions', 'minLifetimeSpend']);
  if (Array.isArray(offer.combinesWith))
    offer.combinesWith.forEach((id, i) => {
      context.reference('promotion', id, [...path, 'combinesWith', i]);
    });
}

function readRewardValue(value: ValueDocument, currency: Currency): BasketReward['tiers'][number]['value'] {
  if ('percentOff' in value) return { kind: 'percentOff', percent: value.percentOff as BasisPoints };
  if ('amountOff' in value) return { kind: 'amountOff', amount: readAmount(value.amountOff, currency) };
  throw new Error('unchecked value of a basket reward');
}

/** A reward that names the others beside which it is given names those alone that are there; any other offer as it is. */
export function besideThose(offer: OfferDocument, ids: ReadonlySet<string>): OfferDocument {
  if (offer.kind !== 'basketReward' || !Array.isArray(offer.combinesWith)) return offer;
  return { ...offer, combinesWith: offer.combinesWith.filter((id) => ids.has(id)) };
}

export const isBasketReward = <T extends Offer | OfferDocument>(
  offer: T,
): offer is Extract<T, { kind: 'basketReward' }> => offer.kind === 'basketReward';
