import type { Choice } from '../assignment/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { applicationsOf } from './applications.ts';
import type { Applied } from './applied.ts';
import type { Basket } from './basket.ts';
import { chooseRewards, chooseSoleReward, type LiveReward, type RewardChoice } from './choose-rewards.ts';
import { chooseOffers, type Searched, searchedOf } from './chosen-offers.ts';
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
import { spentPromotions } from './spent-promotions.ts';

export interface RingOptions {
  /** Whether what is nearly reached is wanted. */
  readonly nearly?: boolean;
}

/** A basket that was rung, to be looked at once more: what is known of it is not worked out anew. */
export interface RungBasket {
  readonly receipt: Receipt;
  /**
   * What would be without some offers over the basket.
   * @param budget work that the search may do.
   */
  without(promotions: ReadonlySet<string>, budget: number): Receipt;
}

/**
 * Rings a basket: the tag prices, the shopper's best of all offers, rewards, delivery (pricing rules 4).
 * @param budget work that the search may do; null: as much as such a basket is given.
 */
export function ring(
  compiled: CompiledPlan,
  basket: Basket,
  budget: number | null = null,
  { nearly = true }: RingOptions = {},
): RungBasket {
  const { ringing, codes } = ringingOf(compiled, basket);
  const searched = searchedOf(ringing);
  return {
    receipt: receiptOf(ringing, searched, codes, budget, nearly),
    without(promotions, work) {
      const stays = ({ promotion }: { promotion: { id: string } }) => !promotions.has(promotion.id);
      const { live, offers } = ringing;
      const part = { ...ringing, live: live.filter(stays), offers: offers.filter(stays) };
      return receiptOf(part, searched, codes, work, false);
    },
  };
}

/** The receipt alone. */
export const ringBasket = (...asked: Parameters<typeof ring>): Receipt => ring(...asked).receipt;

function receiptOf(
  ringing: Ringing,
  searched: Searched,
  codes: Receipt['codes'],
  budget: number | null,
  nearly: boolean,
): Receipt {
  const chosen = chooseOffers(ringing, searched, budget);
  const weights = weightsOf(ringing.lines, ringing.compiled.catalogue);
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
    spent: spentPromotions(ringing.compiled, ringing.situation, ringing.lines),
  };
}
