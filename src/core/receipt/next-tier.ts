import { amountOf } from '../offer/index.ts';
import { countedBy, type LiveReward, type RewardChoice } from './choose-rewards.ts';
import type { Piece } from './piece.ts';

/** A reward of which a basket falls short of the next tier. */
export interface NextTier {
  readonly promotion: string;
  readonly threshold: 'subtotal' | 'units';
  /** Minor units to pay, or units, that are missing. */
  readonly missing: number;
  /** What the tier takes off there, beyond what the reward takes off now. */
  readonly saving: number;
}

/** For every reward that counts something of the basket, how far its next tier is. */
export function nextTiers(
  live: readonly LiveReward[],
  pieces: readonly Piece[],
  { given }: RewardChoice,
): NextTier[] {
  return live.flatMap((reward): NextTier[] => {
    const { promotion } = reward;
    const { offer, id } = promotion;
    const counted = countedBy(reward, pieces);
    const tier = offer.tiers.find(({ atLeast }) => atLeast > counted.reached);
    if (!tier || counted.pieces.length === 0) return [];
    const missing = tier.atLeast - counted.reached;
    const measured = offer.threshold === 'units' ? counted.measured : tier.atLeast;
    const now = given.find((one) => one.promotion === id)?.amount ?? 0;
    const saving = amountOf(offer, tier, measured) - now;
    return saving > 0 ? [{ promotion: id, threshold: offer.threshold, missing, saving }] : [];
  });
}
