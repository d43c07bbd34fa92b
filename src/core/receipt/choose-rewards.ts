import { shareOut } from '../money/index.ts';
import { amountOf } from '../offer/index.ts';
import type { BasketReward, Promotion } from '../plan/index.ts';
import { isDiscounted, type Piece } from './piece.ts';

export type RewardPromotion = Promotion & { readonly offer: BasketReward };

/** A live reward whose conditions hold. */
export interface LiveReward {
  readonly promotion: RewardPromotion;
  readonly counts: (piece: Piece) => boolean;
}

export interface GivenReward {
  readonly promotion: string;
  /** What its threshold and percentage are taken of. */
  readonly measured: number;
  readonly amount: number;
  /** What it takes off each piece, by position. */
  readonly shares: ReadonlyMap<number, number>;
}

export interface RewardChoice {
  readonly given: readonly GivenReward[];
  readonly saving: number;
}

const NONE: RewardChoice = { given: [], saving: 0 };
/** Sets of rewards that are looked at; more rewards than that in one basket are no plan but a mistake. */
const MOST_SETS = 100_000;

/** Pricing rules 4.3: of the rewards that may stand together, those that save most on these pieces. */
export function chooseRewards(live: readonly LiveReward[], pieces: readonly Piece[]): RewardChoice {
  const worth = live
    .filter(({ promotion }) => promotion.offer.combinesWith !== 'none')
    .map((reward) => measure(reward, pieces))
    .filter(({ amount }) => amount > 0)
    .sort((a, b) => byPriority(a.promotion, b.promotion));
  let best = NONE;
  let bestSet: readonly Measured[] = [];
  let sets = 0;
  // What all from one on would take at most.
  const rest = worth.map((_, i) => worth.slice(i).reduce((sum, { amount }) => sum + amount, 0));
  const extend = (set: readonly Measured[], from: number, most: number): void => {
    const choice = give(set);
    if (isPreferred(choice, set, best, bestSet)) [best, bestSet] = [choice, set];
    for (let i = from; i < worth.length && sets < MOST_SETS; i++) {
      // Without the ones before it no set reaches as much any more.
      if (most + rest[i]! < best.saving) return;
      if (!set.every((other) => admit(other.promotion, worth[i]!.promotion))) continue;
      sets += 1;
      extend([...set, worth[i]!], i + 1, most + worth[i]!.amount);
    }
  };
  extend([], 0, 0);
  return best;
}

/** The best reward that admits nothing beside it, on pieces at their tag prices. */
export function chooseSoleReward(live: readonly LiveReward[], pieces: readonly Piece[]): RewardChoice {
  const sole = live
    .filter(({ promotion }) => promotion.offer.combinesWith === 'none')
    .map((reward) => measure(reward, pieces))
    .filter(({ amount }) => amount > 0)
    .sort((a, b) => byPriority(a.promotion, b.promotion));
  let best = NONE;
  for (const one of sole) {
    const choice = give([one]);
    if (choice.saving > best.saving) best = choice;
  }
  return best;
}

interface Measured {
  readonly promotion: RewardPromotion;
  readonly pieces: readonly Piece[];
  readonly measured: number;
  readonly amount: number;
}

function measure(reward: LiveReward, all: readonly Piece[]): Measured {
  const { promotion } = reward;
  const { pieces, measured, reached } = countedBy(reward, all);
  const tier = promotion.offer.tiers.findLast(({ atLeast }) => atLeast <= reached);
  if (!tier || pieces.length === 0) return { promotion, pieces, measured, amount: 0 };
  return { promotion, pieces, measured, amount: amountOf(promotion.offer, tier, measured) };
}

/** What of a basket counts for a reward, and how far that reaches along its tiers. */
export function countedBy({ promotion, counts }: LiveReward, all: readonly Piece[]) {
  const { offer } = promotion;
  const pieces = all.filter(
    (piece) => !piece.alone && counts(piece) && !(offer.skipDiscounted && isDiscounted(piece)),
  );
  const measured = pieces.reduce((sum, { tag, paid }) => sum + (offer.measure === 'before' ? tag : paid), 0);
  return { pieces, measured, reached: offer.threshold === 'units' ? pieces.length : measured };
}

/** In the order of priority and id each takes at most what is left on the units it counts. */
function give(set: readonly Measured[]): RewardChoice {
  const left = new Map<number, number>();
  const leftOf = ({ position, paid }: Piece) => left.get(position) ?? paid;
  let saving = 0;
  const given = set.map(({ promotion, pieces, measured, amount }): GivenReward => {
    const payable = pieces.reduce((sum, piece) => sum + leftOf(piece), 0);
    const taken = Math.min(amount, payable);
    const shares = shareOut(
      taken,
      pieces.map((piece) => ({ weight: leftOf(piece), position: piece.position })),
    );
    pieces.forEach((piece, i) => {
      left.set(piece.position, leftOf(piece) - shares[i]!);
    });
    saving += taken;
    return {
      promotion: promotion.id,
      measured,
      amount: taken,
      shares: new Map(pieces.map(({ position }, i) => [position, shares[i]!])),
    };
  });
  return { given: given.filter(({ amount }) => amount > 0), saving };
}

const byPriority = (a: Promotion, b: Promotion): number => a.priority - b.priority || (a.id < b.id ? -1 : 1);

const admit = (a: RewardPromotion, b: RewardPromotion): boolean => admits(a, b) && admits(b, a);

const admits = ({ offer }: RewardPromotion, { id }: RewardPromotion): boolean =>
  offer.combinesWith === 'all' || (offer.combinesWith !== 'none' && offer.combinesWith.includes(id));

/** More saved; then fewer rewards, the lower sum of priorities, the smaller list of ids. */
function isPreferred(
  a: RewardChoice,
  aSet: readonly Measured[],
  b: RewardChoice,
  bSet: readonly Measured[],
): boolean {
  if (a.saving !== b.saving) return a.saving > b.saving;
  if (aSet.length !== bSet.length) return aSet.length < bSet.length;
  const priorities = (set: readonly Measured[]) =>
    set.reduce((sum, { promotion }) => sum + promotion.priority, 0);
  const ids = (set: readonly Measured[]) =>
    set
      .map(({ promotion }) => promotion.id)
      .sort()
      .join('\u0000');
  const difference = priorities(aSet) - priorities(bSet);
  return difference !== 0 ? difference < 0 : ids(aSet) < ids(bSet);
}
