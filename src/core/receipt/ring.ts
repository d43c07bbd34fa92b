import type { Choice } from '../assignment/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { applicationsOf } from './applications.ts';
import type { Applied } from './applied.ts';
import type { Basket } from './basket.ts';
import { chooseRewards, chooseSoleReward, type LiveReward, type RewardChoice } from './choose-rewards.ts';
import { chooseOffers } from './chosen-offers.ts';
import { type Weights, weightsOf } from './conditions-hold.ts';
import { liveDeliveries, liveRewards } from './live-rewards.ts';
import { nearlyThere } from './nearly-there.ts';
import { nextTiers } from './next-tier.ts';
import { payDelivery } from './pay-delivery.ts';
import { type Piece, piecesOf } from './piece.ts';
import { piecesAfter } from './pieces-after.ts';
import { problemsOf } from './problems.ts';
import type { Receipt } from './receipt.ts';
import { receiptLines } from './receipt-lines.ts';
import { type Ringing, ringingOf } from './ringing.ts';

export interface RingOptions {
  /** A unit offer that is left out, to see what would be without it. */
  readonly without?: string | null;
  /** Whether what is nearly reached is wanted. */
  readonly nearly?: boolean;
}

/**
 * Rings a basket: the tag prices, the shopper's best of all offers, rewards, delivery (pricing rules 4).
 * @param budget work that the search may do; null: as much as such a basket is given.
 */
export function ringBasket(
  compiled: CompiledPlan,
  basket: Basket,
  budget: number | null = null,
  { without = null, nearly = true }: RingOptions = {},
): Receipt {
  const { ringing: whole, codes } = ringingOf(compiled, basket);
  const ringing =
    without === null
      ? whole
      : { ...whole, live: whole.live.filter(({ promotion }) => promotion.id !== without) };
  const chosen = chooseOffers(ringing, budget);
  const weights = weightsOf(ringing.lines, compiled.catalogue);
  const rewards = liveRewards(ringing, weights);
  const tagged = piecesOf(ringing.lines);
  const after = piecesAfter(tagged, chosen.applied, ringing.live);
  const together = chooseRewards(rewards, after);
  const sole = chooseSoleReward(rewards, tagged);
  const alone = sole.saving > chosen.choice.saving + together.saving;
  const outcome: Outcome = alone
    ? { applied: [], pieces: tagged, rewards: sole, sole: true }
    : { applied: chosen.applied, pieces: after, rewards: together, sole: false };
  return finish(ringing, outcome, chosen.choice, { codes, weights, nearRewards: nearly ? rewards : null });
}

interface Outcome {
  readonly applied: readonly Applied[];
  readonly pieces: readonly Piece[];
  readonly rewards: RewardChoice;
  /** A reward that admits nothing beside it stands. */
  readonly sole: boolean;
}

function finish(
  ringing: Ringing,
  { applied, pieces, rewards, sole }: Outcome,
  choice: Choice,
  {
    codes,
    weights,
    nearRewards,
  }: { codes: Receipt['codes']; weights: Weights; nearRewards: readonly LiveReward[] | null },
): Receipt {
  const { basket, live } = ringing;
  const lines = receiptLines(ringing, applied, pieces, rewards);
  const goods = lines.reduce((sum, { net }) => sum + net, 0);
  const subtotal = pieces.reduce((sum, { paid }) => sum + paid, 0);
  const delivery = payDelivery(liveDeliveries(ringing), basket, weights, subtotal);
  const applications = applicationsOf(applied, live);
  return {
    id: basket.id,
    goods,
    total: goods + (delivery?.net ?? 0),
    saving: applications.reduce((sum, { saving }) => sum + saving, 0) + rewards.saving,
    proved: choice.proved,
    bound: choice.bound,
    lines,
    applications,
    rewards: rewards.given.map(({ promotion, measured, amount }) => ({ promotion, measured, amount })),
    delivery,
    codes,
    // Where a reward admits nothing beside it, no unit offer could be applied anyway.
    nearly: sole || !nearRewards ? [] : nearlyThere(ringing, applied),
    nextTiers: nearRewards ? nextTiers(nearRewards, pieces, rewards) : [],
    problems: problemsOf(ringing),
  };
}
