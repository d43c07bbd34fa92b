import type { MinorUnits } from '../money/index.ts';
import { isBasketReward, isDeliveryReward } from '../offer/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { LiveReward, RewardPromotion } from './choose-rewards.ts';
import { conditionsHold, type Weights } from './conditions-hold.ts';
import type { DeliveryPromotion } from './pay-delivery.ts';
import type { Ringing } from './ringing.ts';

/**
 * The basket rewards that are live, and whose conditions hold.
 * @param weights null: those whose conditions may hold.
 */
export function liveRewards(ringing: Ringing, weights: Weights | null): LiveReward[] {
  return ringing.offers.flatMap((compiled): LiveReward[] => {
    const { promotion } = compiled;
    if (!isReward(promotion) || !conditionsHold(promotion.offer.conditions, ringing.basket, weights))
      return [];
    const [selection] = compiled.parts();
    return [{ promotion, counts: ({ item, regular }) => selection!.has(item, regular as MinorUnits) }];
  });
}

const isReward = (promotion: Promotion): promotion is RewardPromotion => isBasketReward(promotion.offer);

/** The delivery rewards that are live. */
export const liveDeliveries = ({ offers }: Ringing): DeliveryPromotion[] =>
  offers
    .map(({ promotion }): Promotion => promotion)
    .filter((promotion): promotion is DeliveryPromotion => isDeliveryReward(promotion.offer));
