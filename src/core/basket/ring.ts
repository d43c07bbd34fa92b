import { assign, budgetFor, type Choice } from '../assignment/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Promotion } from '../plan/index.ts';
import {
  barOf,
  type CompiledOffer,
  type CompiledPlan,
  pricesIn,
  type Situation,
  situationOf,
} from '../price-book/index.ts';
import type { PriceAnswer } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import { checkCodes } from './codes.ts';
import { nearlyThere } from './nearly-there.ts';
import { type Applied, appliedTo } from './offers/applied.ts';
import { freeUnits } from './offers/free-goods.ts';
import type { OfferInBasket } from './offers/offer-in-basket.ts';
import {
  countedBy,
  type Goods,
  type LiveOffer,
  offersInBasket,
  type UnitOfferPromotion,
} from './offers/offers-in-basket.ts';
import { type PricedLine, priceLines, tagStory, unitsOf } from './priced-lines.ts';
import { priorityChoice } from './priority-choice.ts';
import type { Receipt, ReceiptProblem } from './receipt.ts';
import { receiptLines } from './receipt-lines.ts';
import {
  chooseRewards,
  chooseSoleReward,
  type LiveReward,
  type RewardChoice,
  type RewardPromotion,
} from './rewards/basket-rewards.ts';
import { conditionsHold, type Weights, weightsOf } from './rewards/conditions.ts';
import { type DeliveryPromotion, payDelivery } from './rewards/delivery-reward.ts';
import { nextTiers } from './rewards/next-tier.ts';
import { type Piece, piecesOf } from './rewards/piece.ts';
import type { Unit } from './unit.ts';

/** All that a basket is rung with. */
export interface Ringing {
  readonly compiled: CompiledPlan;
  readonly basket: Basket;
  readonly situation: Situation;
  readonly lines: readonly PricedLine[];
  readonly units: readonly Unit[];
  /** Everything over the basket that is live for it; `live` are the unit offers among it that its units touch. */
  readonly offers: readonly CompiledOffer[];
  readonly live: readonly LiveOffer[];
  readonly goods: Goods;
  /** The price of an item, by its number, where and when the basket is rung. */
  priceOf(item: number): PriceAnswer;
}

/** All that a basket is rung with: codes looked at, lines at their tag prices, the offers that are live for it. */
export function ringingOf(
  compiled: CompiledPlan,
  basket: Basket,
): { ringing: Ringing; codes: Receipt['codes'] } {
  const plain = situationOf(compiled, compiled.stores.get(basket.store)!, {
    at: basket.at,
    shopper: basket.shopper,
    channel: basket.channel,
    ...(basket.terminal === null ? {} : { terminal: basket.terminal }),
  });
  const { codes, holding, usedUp } = checkCodes(basket, compiled, plain);
  return { ringing: prepare(compiled, basket, { ...plain, holding, usedUp }), codes };
}

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

function prepare(compiled: CompiledPlan, basket: Basket, situation: Situation): Ringing {
  const { catalogue } = compiled;
  const priceOf = pricesIn(compiled, situation);
  const lines = priceLines(basket, compiled, priceOf);
  const goods: Goods = {
    skuOf: (item) => catalogue.items[item]!.sku,
    familyOf: (item) => catalogue.items[item]!.parent ?? catalogue.items[item]!.sku,
    giftWorth(sku) {
      const answer = priceOf(catalogue.indexOf.get(sku)!);
      return answer.kind === 'price' ? answer.price : null;
    },
    storyOf: (item) => tagStory(priceOf(item)),
  };
  const offers = compiled.offers.filter((offer) => barOf(offer, situation) === null);
  const units = unitsOf(lines);
  const ofLines = [...new Map(units.map((unit) => [unit.line, unit])).values()];
  const touching = offers.filter(
    (offer) =>
      isUnitOffer(offer) &&
      offer.parts().some((part) => ofLines.some(({ item, regular }) => part.has(item, regular))),
  );
  const live = touching.map((offer): LiveOffer & { promotion: UnitOfferPromotion } => ({
    promotion: offer.promotion as UnitOfferPromotion,
    fits: offer.parts().map((part) => (unit: Unit) => part.has(unit.item, unit.regular)),
  }));
  return { compiled, basket, situation, lines, units, offers, live, goods, priceOf };
}

const isUnitOffer = ({ promotion: { offer } }: CompiledOffer): boolean =>
  offer.kind !== 'basketReward' && offer.kind !== 'deliveryReward';

function chooseOffers(
  { compiled, units, live, goods }: Ringing,
  work: number | null,
): { choice: Choice<Unit>; applied: Applied[] } {
  const budget = { left: work ?? budgetFor(units.length, live.length) };
  const byId = new Map(live.map((one) => [one.promotion.id, one]));
  const { choice, offers } =
    compiled.plan.policy.baskets === 'priority' ? inPriority() : inBest(offersInBasket(live, units, goods));
  const used = new Map<number, Unit[]>();
  for (const { unit, contender } of choice.taken) used.set(contender, [...(used.get(contender) ?? []), unit]);
  const applied = [...used].map(([number, own]) => {
    const offer = offers[number]!;
    return appliedTo(offer, byId.get(offer.name)!.promotion.offer, own, goods.skuOf);
  });
  return { choice, applied };

  function inBest(offers: readonly OfferInBasket[]) {
    return { choice: assign(offers, budget), offers };
  }
  function inPriority() {
    const choice = priorityChoice(
      live.map(({ promotion }) => promotion),
      units,
      (id, free) => offersInBasket([byId.get(id)!], free, goods),
      budget,
    );
    return { choice, offers: choice.offers };
  }
}

/** The pieces as unit offers leave them. */
function piecesAfter(
  pieces: readonly Piece[],
  applied: readonly Applied[],
  live: readonly LiveOffer[],
): Piece[] {
  const alone = new Set(live.filter(({ promotion }) => promotion.alone).map(({ promotion }) => promotion.id));
  const changed = new Map<number, { paid: number; alone: boolean }>();
  for (const { offer, units, prices } of applied)
    units.forEach(({ position }, i) => {
      changed.set(position, { paid: prices[i]!, alone: alone.has(offer.name) });
    });
  return pieces.map((piece) => {
    const change = changed.get(piece.position);
    return change ? { ...piece, paid: change.paid, alone: piece.alone || change.alone } : piece;
  });
}

function liveRewards(ringing: Ringing, weights: Weights): LiveReward[] {
  return ringing.offers.flatMap((compiled): LiveReward[] => {
    const { promotion } = compiled;
    if (!isReward(promotion) || !conditionsHold(promotion.offer.conditions, ringing.basket, weights))
      return [];
    const [selection] = compiled.parts();
    return [{ promotion, counts: ({ item, regular }) => selection!.has(item, regular as MinorUnits) }];
  });
}

const isReward = (promotion: Promotion): promotion is RewardPromotion =>
  promotion.offer.kind === 'basketReward';

const liveDeliveries = ({ offers }: Ringing): DeliveryPromotion[] =>
  offers
    .map(({ promotion }): Promotion => promotion)
    .filter((promotion): promotion is DeliveryPromotion => promotion.offer.kind === 'deliveryReward');

function applicationsOf(applied: readonly Applied[], live: readonly LiveOffer[]): Receipt['applications'] {
  const promotions = new Map<string, Promotion>(live.map(({ promotion }) => [promotion.id, promotion]));
  const byPromotion = new Map<string, Applied[]>();
  for (const one of applied)
    byPromotion.set(one.offer.name, [...(byPromotion.get(one.offer.name) ?? []), one]);
  return [...byPromotion]
    .map(([promotion, all]) => {
      const lines = new Map<number, number>();
      let saving = 0;
      for (const { units, prices, gifts } of all) {
        saving += gifts;
        units.forEach(({ line, tag }, i) => {
          lines.set(line, (lines.get(line) ?? 0) + 1);
          saving += tag - prices[i]!;
        });
      }
      return {
        promotion,
        times: all.reduce((sum, { times }) => sum + times, 0),
        units: [...lines].sort(([a], [b]) => a - b).map(([line, quantity]) => ({ line, quantity })),
        saving,
      };
    })
    .sort((a, b) => {
      const [one, other] = [promotions.get(a.promotion)!, promotions.get(b.promotion)!];
      return one.priority - other.priority || (one.id < other.id ? -1 : 1);
    });
}

const PROBLEM_WORDS = {
  'unknown-item': 'nobody knows this item',
  'unknown-store': 'nobody knows this store',
  parent: 'it is sold in its variants only',
  retired: 'it is not sold any more',
  'not-carried': 'the store does not carry it',
  'no-price': 'it has no price here and now',
} as const;

function problemsOf({ lines, live, goods, units }: Ringing): ReceiptProblem[] {
  const unsold = lines.flatMap(({ sku, sold }, line): ReceiptProblem[] =>
    sold.ok
      ? []
      : [{ line, code: sold.problem, message: `${sku} cannot be sold: ${PROBLEM_WORDS[sold.problem]}` }],
  );
  const missing = live.flatMap(({ promotion, fits }): ReceiptProblem[] => {
    const { offer, id } = promotion;
    if (offer.kind !== 'freeGoods' || offer.gift === null || goods.giftWorth(offer.gift) !== null) return [];
    const counts = new Map<string, number>();
    for (const unit of units) {
      if (!fits[0]!(unit)) continue;
      const key = countedBy(offer.count, unit, goods);
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
    return [...counts.values()].some((count) => freeUnits(offer, count) > 0)
      ? [
          {
            line: null,
            code: 'gift-not-carried',
            message: `${offer.gift} of ${id} is not added: the store does not carry it, or it has no price`,
          },
        ]
      : [];
  });
  return [...unsold, ...missing];
}
