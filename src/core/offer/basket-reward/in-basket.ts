import { percentOf } from '../../money/index.ts';
import type { JudgedOffer } from '../room/in-basket.ts';
import type { BasketReward } from './basket-reward.ts';

/** A reward that is farther away tells no more with so many units. */
const MOST_UNITS = 500;

export const basketRewardInBasket: JudgedOffer<BasketReward> = {
  trials({ threshold, tiers }) {
    const starts = tiers.map(({ atLeast }) => atLeast);
    return threshold === 'units'
      ? { of: 'units', counts: starts.map((units) => Math.min(MOST_UNITS, Math.max(1, units))) }
      : { of: 'money', amounts: starts };
  },
  idleTiers: (offer) => [...offer.tiers.keys()].filter((i) => i > 0 && !givesMore(offer, i)),
};

/** What a tier takes off so much. */
export function amountOf(
  { maxDiscount }: Pick<BasketReward, 'maxDiscount'>,
  { value }: BasketReward['tiers'][number],
  measured: number,
): number {
  const off = value.kind === 'amountOff' ? value.amount : percentOf(measured, value.percent);
  return Math.min(off, maxDiscount ?? off);
}

/** Judged where the tier begins: from there on a percentage grows, so that is where an amount is worth most beside it. */
function givesMore({ tiers, threshold }: BasketReward, i: number): boolean {
  const [before, tier] = [tiers[i - 1]!, tiers[i]!];
  const kinds = `${before.value.kind} ${tier.value.kind}`;
  if (kinds === 'percentOff amountOff' && threshold === 'units') return true;
  if (kinds === 'amountOff percentOff') return true;
  const on = threshold === 'units' ? 10_000 : tier.atLeast;
  const off = (one: typeof tier) => amountOf({ maxDiscount: null }, one, on);
  return off(tier) > off(before);
}
