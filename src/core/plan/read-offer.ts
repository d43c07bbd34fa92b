import type { BasisPoints, Currency } from '../money/index.ts';
import { parseThousandths } from '../money/index.ts';
import type { ConditionsDocument, OfferDocument, PriceChangeDocument, ValueDocument } from './document.ts';
import type {
  BasketReward,
  Bundle,
  BuyAndGet,
  Combo,
  Conditions,
  DeliveryReward,
  FreeGoods,
  Offer,
  QuantityBreak,
  UnitValue,
} from './offer.ts';
import { readAmount, readAmounts } from './read-money.ts';

type Kind<K extends OfferDocument['kind']> = Extract<OfferDocument, { kind: K }>;

/** Reads an offer over the basket that has been checked before. */
export function readBasketOffer(
  document: Exclude<OfferDocument, PriceChangeDocument>,
  currency: Currency,
): Exclude<Offer, { kind: 'priceChange' }> {
  switch (document.kind) {
    case 'quantityBreak':
      return readQuantityBreak(document, currency);
    case 'mixAndMatch':
      return readMixAndMatch(document, currency);
    case 'combo':
      return readCombo(document, currency);
    case 'freeGoods':
      return readFreeGoods(document);
    case 'basketReward':
      return readBasketReward(document, currency);
    case 'deliveryReward':
      return readDeliveryReward(document, currency);
  }
}

function readUnitValue(value: ValueDocument, currency: Currency): UnitValue {
  if ('percentOff' in value) return { kind: 'percentOff', percent: value.percentOff as BasisPoints };
  if ('each' in value) return { kind: 'each', amount: readAmount(value.each, currency) };
  if ('amountOffEach' in value)
    return { kind: 'amountOffEach', amount: readAmount(value.amountOffEach, currency) };
  throw new Error('unchecked value of a unit');
}

function readQuantityBreak(document: Kind<'quantityBreak'>, currency: Currency): QuantityBreak {
  return {
    kind: 'quantityBreak',
    items: document.items,
    count: document.count,
    beyond: document.beyond ?? false,
    tiers: document.tiers.map((tier) => ({ atLeast: tier.atLeast, value: readUnitValue(tier, currency) })),
  };
}

function readMixAndMatch(
  document: Kind<'mixAndMatch'>,
  currency: Currency,
): Extract<Offer, { kind: 'bundle' | 'rewardUnit' | 'buyAndGet' }> {
  if ('buy' in document) {
    const { buy, get, notDearer = false, value } = document;
    return { kind: 'buyAndGet', buy, get, notDearer, value: readUnitValue(value, currency) } as BuyAndGet;
  }
  const { items, take, value } = document;
  if ('rewarded' in document) {
    const { rewarded, pick } = document;
    return { kind: 'rewardUnit', items, take, rewarded, pick, value: readUnitValue(value, currency) };
  }
  return { kind: 'bundle', items, take, value: readBundleValue(value, currency) };
}

function readBundleValue(value: ValueDocument, currency: Currency): Bundle['value'] {
  if ('total' in value) return { kind: 'total', amount: readAmount(value.total, currency) };
  if ('amountOff' in value) return { kind: 'amountOff', amount: readAmount(value.amountOff, currency) };
  const unit = readUnitValue(value, currency);
  if (unit.kind === 'amountOffEach') throw new Error('unchecked value of a bundle');
  return unit;
}

function readCombo(document: Kind<'combo'>, currency: Currency): Combo {
  const { slots, value, extra, picture } = document;
  return {
    kind: 'combo',
    slots: slots.map(({ name, items, quantity, each }) => ({
      name,
      items,
      quantity,
      each: each === undefined ? null : readAmount(each, currency),
    })),
    value: readComboValue(value, currency),
    extra: readAmounts(extra, currency),
    picture: picture ?? null,
  };
}

function readComboValue(value: ValueDocument | undefined, currency: Currency): Combo['value'] {
  if (!value) return null;
  if ('total' in value) return { kind: 'total', amount: readAmount(value.total, currency) };
  if ('percentOff' in value) return { kind: 'percentOff', percent: value.percentOff as BasisPoints };
  throw new Error('unchecked value of a combo');
}

function readFreeGoods(document: Kind<'freeGoods'>): FreeGoods {
  const { items, count, every, free, parts } = document;
  return {
    kind: 'freeGoods',
    items,
    count,
    minimum: document.minimum ?? every,
    every,
    free,
    parts,
    gift: document.gift ?? null,
    maxFree: document.maxFree ?? null,
  };
}

function readBasketReward(document: Kind<'basketReward'>, currency: Currency): BasketReward {
  return {
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
  };
}

function readRewardValue(value: ValueDocument, currency: Currency): BasketReward['tiers'][number]['value'] {
  if ('percentOff' in value) return { kind: 'percentOff', percent: value.percentOff as BasisPoints };
  if ('amountOff' in value) return { kind: 'amountOff', amount: readAmount(value.amountOff, currency) };
  throw new Error('unchecked value of a basket reward');
}

function readDeliveryReward(document: Kind<'deliveryReward'>, currency: Currency): DeliveryReward {
  const { ways, conditions, maxItemWeight, value } = document;
  return {
    kind: 'deliveryReward',
    ways: ways ?? null,
    conditions: readConditions(conditions, currency),
    subtotal: conditions?.subtotal === undefined ? null : readAmount(conditions.subtotal, currency),
    maxItemWeight: weight(maxItemWeight),
    value:
      'flat' in value
        ? { kind: 'flat', amount: readAmount(value.flat, currency) }
        : 'free' in value
          ? { kind: 'free' }
          : { kind: 'percentOff', percent: value.percentOff as BasisPoints },
  };
}

function readConditions(document: ConditionsDocument | undefined, currency: Currency): Conditions {
  return {
    payments: document?.payments ?? null,
    deliveries: document?.deliveries ?? null,
    regions: document?.regions ?? null,
    postcodes: document?.postcodes ?? null,
    linkTags: document?.linkTags ?? null,
    minWeight: weight(document?.minWeight),
    maxWeight: weight(document?.maxWeight),
    minPastOrders: document?.minPastOrders ?? null,
    maxPastOrders: document?.maxPastOrders ?? null,
    minLifetimeSpend:
      document?.minLifetimeSpend === undefined ? null : readAmount(document.minLifetimeSpend, currency),
  };
}

const weight = (text: string | undefined): number | null =>
  text === undefined ? null : parseThousandths(text);
