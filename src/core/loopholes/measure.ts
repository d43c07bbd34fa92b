import { amountOf, type Unit } from '../offer/index.ts';
import type { BasketReward } from '../plan/index.ts';
import { isDiscounted, type LiveReward, type Piece, type UnitOfferPromotion } from '../receipt/index.ts';

/** One thing by which a reward looks at a basket: money or units of the goods that it counts. */
export interface Measure {
  readonly isMoney: boolean;
  /** What a piece adds that no offer uses. */
  loose(piece: Piece): number;
  /** What a unit adds that an offer takes; `gain`: what is paid less for it. */
  used(unit: Unit, offer: UsedBy, gain: number): number;
  /** What is added where an offer takes off more at the end of all its units. */
  ending(offer: UsedBy, gain: number): number;
  /** From here on more of it changes nothing. */
  readonly cap: number;
}

/** An offer that uses units, as far as a measure asks. */
export interface UsedBy {
  readonly promotion: UnitOfferPromotion;
  /** Whether what it takes off is shared over its units, so that none has a price of its own while it is filled. */
  readonly shared: boolean;
  readonly members: readonly Unit[];
}

/** The rewards of a basket as a search looks at them. */
export interface Rewards {
  readonly measures: readonly Measure[];
  /**
   * The most that they take off a basket that measures so much: never less than what they would take off in truth, and
   * never less for a basket that measures more.
   */
  most(measured: readonly number[]): number;
}

/**
 * How rewards that may stand together look at baskets. Where what a unit counts is only known once its application is
 * shared out, it counts as much as it could at most.
 */
export function rewardsOf(live: readonly LiveReward[]): Rewards {
  const measures: Measure[] = [];
  const worth = live.map((reward) => {
    const { offer } = reward.promotion;
    const money = measures.push(moneyOf(reward)) - 1;
    const reached = offer.threshold === 'units' ? measures.push(unitsOf(reward)) - 1 : money;
    return (measured: readonly number[]) => mostGiven(reward, measured[money]!, measured[reached]!);
  });
  const together = setsOf(live);
  return {
    measures,
    most(measured) {
      const all = worth.map((of) => of(measured));
      return together.reduce(
        (most, set) =>
          Math.max(
            most,
            set.reduce((sum, i) => sum + all[i]!, 0),
          ),
        0,
      );
    },
  };
}

/** Of all tiers that are reached the one that gives most: a higher one that gives less is taken no account of. */
function mostGiven({ promotion: { offer } }: LiveReward, money: number, reached: number): number {
  let most = 0;
  for (const tier of offer.tiers)
    if (tier.atLeast <= reached) most = Math.max(most, amountOf(offer, tier, money));
  return offer.measure === 'after' ? Math.min(most, money) : most;
}

/** The largest sets of rewards that may stand together, by their places. */
function setsOf(live: readonly LiveReward[]): readonly (readonly number[])[] {
  const names = (a: LiveReward, b: LiveReward): boolean => {
    const { combinesWith } = a.promotion.offer;
    return combinesWith === 'all' || (combinesWith !== 'none' && combinesWith.includes(b.promotion.id));
  };
  let sets: number[][] = [[]];
  live.forEach((one, i) => {
    const wider = sets
      .map((set) => set.filter((j) => names(live[j]!, one) && names(one, live[j]!)))
      .map((set) => [...set, i]);
    const all = [...sets, ...wider];
    sets = all.filter(
      (set, at) =>
        !all.some(
          (other, o) =>
            o !== at && set.every((j) => other.includes(j)) && (other.length > set.length || o < at),
        ),
    );
  });
  return sets;
}

function moneyOf(reward: LiveReward): Measure {
  const { offer } = reward.promotion;
  const isBefore = offer.measure === 'before';
  const isWhole = countsAllOf(reward);
  return {
    isMoney: true,
    cap: Math.max(...offer.tiers.map((tier) => endOf(tier, offer))),
    loose: (piece) => (countsPiece(reward, piece) ? piece.tag : 0),
    used(unit, by, gain) {
      if (by.promotion.alone) return 0;
      const counts = countsUsed(reward, unit, by, gain, isWhole(by));
      if (!counts) return 0;
      if (isBefore) return unit.tag;
      return by.shared && !isWhole(by) ? mostPaid(unit, by) : unit.tag - gain;
    },
    ending: (by, gain) => (isBefore || by.promotion.alone || !isWhole(by) ? 0 : -gain),
  };
}

/** Where more money changes nothing more about what a tier gives. */
function endOf(
  { atLeast, value }: BasketReward['tiers'][number],
  { threshold, maxDiscount }: BasketReward,
): number {
  const from = threshold === 'units' ? 0 : atLeast;
  if (value.kind === 'amountOff') return Math.max(from, value.amount);
  if (maxDiscount === null || value.percent === 0) return Number.POSITIVE_INFINITY;
  return Math.max(from, Math.ceil((maxDiscount * 10_000) / value.percent) + 1);
}

function unitsOf(reward: LiveReward): Measure {
  const isWhole = countsAllOf(reward);
  return {
    isMoney: false,
    cap: Math.max(...reward.promotion.offer.tiers.map(({ atLeast }) => atLeast)),
    loose: (piece) => (countsPiece(reward, piece) ? 1 : 0),
    used: (unit, by, gain) =>
      !by.promotion.alone && countsUsed(reward, unit, by, gain, isWhole(by)) ? 1 : 0,
    ending: () => 0,
  };
}

const countsPiece = ({ promotion, counts }: LiveReward, piece: Piece): boolean =>
  !piece.alone && counts(piece) && !(promotion.offer.skipDiscounted && isDiscounted(piece));

/** Whether a used unit counts, or might. */
function countsUsed(
  { promotion, counts }: LiveReward,
  unit: Unit,
  by: UsedBy,
  gain: number,
  whole: boolean,
): boolean {
  const piece = { ...unit, paid: unit.tag - gain, alone: false };
  if (!counts(piece)) return false;
  return !promotion.offer.skipDiscounted || by.shared || whole || !isDiscounted(piece);
}

const mostPaid = ({ tag, base }: Unit, { promotion }: UsedBy): number =>
  promotion.startsFrom === 'base' ? Math.max(tag, base) : tag;

/** Whether a reward counts every unit that an offer may use, so that what is paid for all of them is what counts. */
function countsAllOf({ promotion, counts }: LiveReward): (by: UsedBy) => boolean {
  const known = new Map<UsedBy, boolean>();
  return (by) => {
    const found = known.get(by);
    if (found !== undefined) return found;
    const all =
      !promotion.offer.skipDiscounted &&
      by.members.every((unit) => counts({ ...unit, paid: unit.tag, alone: false }));
    known.set(by, all);
    return all;
  };
}
