import { percentOf, priceUnder } from '../basket/index.ts';
import type { BasketReward, Offer, QuantityBreak } from '../plan/index.ts';
import type { Good } from './deal-goods.ts';
import type { DealWarning } from './deal-warnings.ts';

/** Tiers by which nobody gets more than by the one before, whatever the goods: they overlap in effect. */
export function tiersThatGiveNoMore(offer: Offer, goods: readonly Good[]): DealWarning[] {
  if (offer.kind !== 'quantityBreak' && offer.kind !== 'basketReward') return [];
  const more =
    offer.kind === 'quantityBreak'
      ? (i: number) => unitsGetMore(offer, i, goods)
      : (i: number) => basketGetsMore(offer, i);
  return offer.tiers.flatMap(({ atLeast }, i): DealWarning[] =>
    i === 0 || more(i) ? [] : [{ code: 'never-reached', tier: atLeast, before: offer.tiers[i - 1]!.atLeast }],
  );
}

const unitsGetMore = ({ tiers }: QuantityBreak, i: number, goods: readonly Good[]): boolean =>
  goods.length === 0 ||
  goods.some(({ tag }) => priceUnder(tiers[i]!.value, tag) < priceUnder(tiers[i - 1]!.value, tag));

/** Judged where the tier begins: from there on a percentage grows, so that is where an amount is worth most beside it. */
function basketGetsMore({ tiers, threshold }: BasketReward, i: number): boolean {
  const [before, tier] = [tiers[i - 1]!, tiers[i]!];
  const kinds = `${before.value.kind} ${tier.value.kind}`;
  if (kinds === 'percentOff amountOff' && threshold === 'units') return true;
  if (kinds === 'amountOff percentOff') return true;
  const off = ({ value }: typeof tier, on: number) =>
    value.kind === 'amountOff' ? value.amount : percentOf(on, value.percent);
  const on = threshold === 'units' ? 10_000 : tier.atLeast;
  return off(tier, on) > off(before, on);
}
