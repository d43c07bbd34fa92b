import type { CheckContext } from './check-context.ts';
import { checkPriceChange } from './check-price-change.ts';
import { checkItemRule } from './check-rule.ts';
import type { OfferDocument, PromotionDocument, ValueDocument } from './document.ts';
import type { Fault } from './fault.ts';

type Path = Fault['path'];
type Kind<K extends OfferDocument['kind']> = Extract<OfferDocument, { kind: K }>;

export function checkOffer(promotion: PromotionDocument, path: Path, context: CheckContext): void {
  const { offer } = promotion;
  switch (offer.kind) {
    case 'priceChange':
      checkPriceChange(promotion, offer, path, context);
      return;
    case 'quantityBreak':
      checkItemRule(offer.items, [...path, 'items'], context);
      checkTiers(offer.tiers, ['each', 'percentOff', 'amountOffEach'], path, context);
      return;
    case 'mixAndMatch':
      checkMixAndMatch(offer, path, context);
      return;
    case 'combo':
      checkCombo(offer, path, context);
      return;
    case 'freeGoods':
      checkItemRule(offer.items, [...path, 'items'], context);
      if (offer.gift !== undefined) context.reference('item', offer.gift, [...path, 'gift']);
      return;
    case 'basketReward':
      if (offer.items) checkItemRule(offer.items, [...path, 'items'], context);
      checkTiers(offer.tiers, ['amountOff', 'percentOff'], path, context);
      context.amount(offer.maxDiscount, [...path, 'maxDiscount']);
      context.amount(offer.conditions?.minLifetimeSpend, [...path, 'conditions', 'minLifetimeSpend']);
      if (Array.isArray(offer.combinesWith)) {
        offer.combinesWith.forEach((id, i) =>
          context.reference('promotion', id, [...path, 'combinesWith', i]),
        );
      }
      return;
    case 'deliveryReward':
      context.amount(offer.conditions?.subtotal, [...path, 'conditions', 'subtotal']);
      context.amount(offer.conditions?.minLifetimeSpend, [...path, 'conditions', 'minLifetimeSpend']);
      if ('flat' in offer.value) context.amount(offer.value.flat, [...path, 'value', 'flat']);
  }
}

const VALUE_KEYS = ['percentOff', 'amountOff', 'amountOffEach', 'each', 'total'] as const;
type ValueKey = (typeof VALUE_KEYS)[number];

/** One value of a kind that fits the offer, its amount an amount. */
function checkValue(
  value: ValueDocument,
  allowed: readonly ValueKey[],
  path: Path,
  context: CheckContext,
): void {
  const key = VALUE_KEYS.find((name) => name in value)!;
  if (!allowed.includes(key)) context.fault([...path, key], `"${key}" does not fit here`, allowed.join(', '));
  if (key !== 'percentOff') context.amount((value as Record<string, string>)[key], [...path, key]);
}

function checkTiers(
  tiers: readonly ({ atLeast: number | string } & ValueDocument)[],
  allowed: readonly ValueKey[],
  path: Path,
  context: CheckContext,
): void {
  tiers.forEach((tier, i) => {
    const tierPath = [...path, 'tiers', i];
    if (typeof tier.atLeast === 'string') context.amount(tier.atLeast, [...tierPath, 'atLeast']);
    checkValue(tier, allowed, tierPath, context);
    const before = tiers[i - 1];
    if (before && Number(before.atLeast) >= Number(tier.atLeast)) {
      context.fault(
        [...tierPath, 'atLeast'],
        `the tier from ${tier.atLeast} does not follow the one from ${before.atLeast}`,
        'tiers in rising order, each from a number of its own',
      );
    }
  });
}

function checkMixAndMatch(offer: Kind<'mixAndMatch'>, path: Path, context: CheckContext): void {
  if ('buy' in offer) {
    offer.buy.forEach((part, i) => checkItemRule(part.items, [...path, 'buy', i, 'items'], context));
    checkItemRule(offer.get.items, [...path, 'get', 'items'], context);
    checkValue(offer.value, ['percentOff', 'amountOffEach', 'each'], [...path, 'value'], context);
    return;
  }
  checkItemRule(offer.items, [...path, 'items'], context);
  if (!('rewarded' in offer)) {
    checkValue(offer.value, ['total', 'percentOff', 'amountOff', 'each'], [...path, 'value'], context);
    return;
  }
  checkValue(offer.value, ['percentOff', 'amountOffEach', 'each'], [...path, 'value'], context);
  if (offer.rewarded > offer.take)
    context.fault(
      [...path, 'rewarded'],
      `${offer.rewarded} of ${offer.take} units rewarded`,
      'at most as many as are taken',
    );
}

function checkCombo(offer: Kind<'combo'>, path: Path, context: CheckContext): void {
  offer.slots.forEach((slot, i) => {
    checkItemRule(slot.items, [...path, 'slots', i, 'items'], context);
    context.amount(slot.each, [...path, 'slots', i, 'each']);
  });
  const priced = offer.slots.filter(({ each }) => each !== undefined).length;
  if (offer.value ? priced > 0 : priced < offer.slots.length) {
    context.fault(path, 'a combo without one way of pricing', 'a `value`, or a price `each` in every slot');
  }
  if (offer.value) checkValue(offer.value, ['total', 'percentOff'], [...path, 'value'], context);
  if (offer.extra && offer.value && 'percentOff' in offer.value)
    context.fault([...path, 'extra'], 'extras beside a percentage', 'a total, or a price in every slot');
  for (const [sku, amount] of Object.entries(offer.extra ?? {})) {
    context.reference('item', sku, [...path, 'extra', sku]);
    context.amount(amount, [...path, 'extra', sku]);
  }
}
