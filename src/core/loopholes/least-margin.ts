import { giftOf } from '../offer/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import {
  type Basket,
  type LiveReward,
  liveRewards,
  offersInBasket,
  piecesOf,
  type Ringing,
  unitOfferRoom,
  unlimitedRinging,
} from '../receipt/index.ts';
import { atMost, type ByUnits, combined } from './combined.ts';
import type { Good } from './goods.ts';
import { countsOf, EMPTY, type Label, put } from './label.ts';
import { type Measure, type Rewards, rewardsOf, type UsedBy } from './measure.ts';
import { type Costs, type Hope, runsOf } from './runs.ts';

/** How many of each good, by its place among the goods. */
export type Counts = readonly number[];

/**
 * The least that a basket can leave, by asking the automata of all offers for the worst basket instead of the best use of
 * one: as every till gives the shopper the best of all choices, the least over all baskets and all choices is no more
 * than what the worst basket leaves, and mostly just that. Offers are free to use whatever units they want, as a basket
 * can have as many of a good as it likes, so that each is looked at by itself and they are put together by the number
 * of their units and by what counts for rewards.
 * @param leaves what a basket leaves when it is rung: asked of those that may leave as little as that.
 * @returns what no basket of at most so many units leaves less than.
 */
export function leastMargin(
  compiled: CompiledPlan,
  holder: Basket,
  goods: readonly Good[],
  units: number,
  leaves: (counts: Counts) => number,
): number {
  const lines = goods.map(({ sku, isWanted }) => ({ sku, thousandths: (isWanted ? units : 1) * 1_000 }));
  // Its goods stand line by line; what limits in units take from shoppers is seen when a basket is rung.
  const ringing = unlimitedRinging(compiled, { ...holder, lines });
  const { costs, unseen } = costsIn(compiled, ringing, units);
  const asked: Asked = { ringing, units, costs, goods, leaves };
  const [together, sole] = rewardsIn(ringing);
  const withOffers = leastWith(asked, partsOf(ringing), rewardsOf(together));
  const alone = sole.length === 0 ? withOffers : leastWith(asked, [], rewardsOf(sole));
  return Math.min(withOffers, alone) - unseen;
}

interface Asked {
  readonly ringing: Ringing;
  readonly units: number;
  readonly costs: Costs;
  readonly goods: readonly Good[];
  readonly leaves: (counts: Counts) => number;
}

/** An offer. */
interface Part {
  runs(measures: readonly Measure[], asked: Asked, hope?: Hope): ByUnits;
}

/** The offers, each by itself; one that counts items or families apart as those, of which so many may be applied. */
function partsOf({ live, units, goods }: Ringing): Part[] {
  return live.map(({ promotion, fits, unitsLeft }): Part => {
    const room = unitOfferRoom(promotion.offer);
    const isCounted = room.counted !== undefined;
    const offers = offersInBasket(
      [{ promotion: isCounted ? { ...promotion, limitPerBasket: null } : promotion, fits, unitsLeft }],
      units,
      goods,
    );
    const shared = room.shares?.(promotion.offer) ?? false;
    const limit = isCounted ? (promotion.limitPerBasket ?? Number.POSITIVE_INFINITY) : 1;
    return {
      runs(measures, asked, hope) {
        const all = offers.map((offer) => {
          const by: UsedBy = { promotion, shared, members: offer.automaton.members };
          return (
            runsOf(offer, by, asked.units, measures, asked.costs, hope) ?? givenAway(by, asked, measures)
          );
        });
        return atMost(limit, all, { ...togetherOf(asked, measures), hopeful: () => true });
      },
    };
  });
}

const togetherOf = ({ units }: Asked, measures: readonly Measure[]) => ({
  start: { ...EMPTY, measured: measures.map(() => 0) },
  units,
  measures,
});

/** So many baskets are rung to come down to the bound. */
const TRIES = 200;

function leastWith(asked: Asked, parts: readonly Part[], rewards: Rewards): number {
  const tried = trying(asked);
  const plain = parts.map((part) => part.runs([], asked));
  const rest = combined({ ...togetherOf(asked, []), hopeful: () => true }, plain, looseLabels(asked, []));
  for (const run of [...plain, rest]) for (const labels of run) for (const label of labels) tried.look(label);
  const { measures } = rewards;
  const ends = measures.length === 0 ? rest : withMeasures(asked, parts, rewards, plain, rest, tried.least());
  const open = ends
    .slice(1)
    .flatMap((labels) =>
      labels.map((label) => ({ label, bound: label.margin - rewards.most(label.measured) })),
    )
    .sort((a, b) => a.bound - b.bound);
  for (const { label, bound } of open.slice(0, TRIES)) if (bound < tried.least()) tried.look(label);
  return Math.min(tried.least(), open[0]?.bound ?? tried.least());
}

/** Baskets with what counts for rewards, as far as they may leave less than what is known. */
function withMeasures(
  asked: Asked,
  parts: readonly Part[],
  { measures, most }: Rewards,
  plain: readonly ByUnits[],
  rest: ByUnits,
  known: number,
): ByUnits {
  const { units } = asked;
  const floor = lowestUpTo(rest);
  const furthest = furthestOf(asked, measures);
  const mostGiven = (label: Label, left: number): number =>
    most(label.measured.map((so, i) => Math.min(measures[i]!.cap, so + left * furthest[i]!)));
  const together = togetherOf(asked, measures);
  const given = mostGiven(together.start, units);
  const matters = (run: ByUnits) =>
    run.some((labels, n) => n > 0 && labels.some(({ margin }) => margin + floor[units - n]! - given < known));
  const hope: Hope = {
    floor,
    // What is paid for units that share a reduction is only known at their end.
    hopeful: (label, n, rest, by) =>
      label.margin + rest - (by.shared ? given : mostGiven(label, units - n)) < known,
  };
  const runs = parts.filter((_, i) => matters(plain[i]!)).map((part) => part.runs(measures, asked, hope));
  const hopeful = (label: Label, n: number): boolean =>
    label.margin + floor[units - n]! - mostGiven(label, units - n) < known;
  return combined({ ...together, hopeful }, runs, looseLabels(asked, measures));
}

/** The lowest margin with up to so many units, from none on. */
function lowestUpTo(rest: ByUnits): number[] {
  let lowest = 0;
  return rest.map((labels) => {
    lowest = labels.reduce((least, { margin }) => Math.min(least, margin), lowest);
    return lowest;
  });
}

/** Baskets that were rung, each once. */
function trying({ goods, leaves }: Asked) {
  const tried = new Set<string>();
  let least = Number.POSITIVE_INFINITY;
  return {
    least: () => least,
    look(label: Label): void {
      const found = countsOf(label);
      if (found.size === 0) return;
      const counts = goods.map(({ index }) => found.get(index) ?? 0);
      const key = counts.join();
      if (tried.has(key)) return;
      tried.add(key);
      least = Math.min(least, leaves(counts));
    },
  };
}

/** Each good once, at its tag price: those that no other one covers. */
function looseLabels({ ringing, costs }: Asked, measures: readonly Measure[]): Label[] {
  const labels: Label[] = [];
  let line = -1;
  for (const piece of piecesOf(ringing.lines)) {
    if (piece.line === line) continue;
    line = piece.line;
    put(labels, {
      margin: piece.tag - costs.of(piece.item),
      measured: measures.map((measure) => measure.loose(piece)),
      picked: { good: piece.item, before: null },
    });
  }
  return labels;
}

/** What an offer could do at most of which there is too much to look at: all of its units for nothing. */
function givenAway({ members }: UsedBy, asked: Asked, measures: readonly Measure[]): ByUnits {
  const dearest = Math.max(...members.map(({ item }) => asked.costs.of(item)));
  const furthest = furthestOf(asked, measures);
  return Array.from({ length: asked.units + 1 }, (_, n) =>
    n === 0 ? [] : [{ margin: -n * dearest, measured: furthest.map((one) => n * one), picked: null }],
  );
}

/** What one more unit adds at most to each measure. */
function furthestOf({ ringing }: Asked, measures: readonly Measure[]): number[] {
  const pieces = piecesOf(ringing.lines);
  return measures.map(({ isMoney }) =>
    isMoney ? Math.max(0, ...pieces.map(({ tag, base }) => Math.max(tag, base))) : 1,
  );
}

/** What goods and gifts cost; `unseen`: of gifts that are worth nothing, so that nobody sees how many are given, at most. */
function costsIn(
  { catalogue }: CompiledPlan,
  { live, goods }: Ringing,
  units: number,
): { costs: Costs; unseen: number } {
  const costOf = (item: number): number => catalogue.items[item]!.cost ?? 0;
  const each = new Map<string, number>();
  let unseen = 0;
  for (const { promotion } of live) {
    const gift = giftOf(promotion.offer);
    const worth = gift === null ? null : goods.giftWorth(gift);
    if (gift === null || worth === null) continue;
    const cost = costOf(catalogue.indexOf.get(gift)!);
    if (worth > 0) each.set(promotion.id, cost / worth);
    else unseen += cost * units * ('free' in promotion.offer ? promotion.offer.free : 1);
  }
  return {
    unseen,
    costs: {
      of: costOf,
      ofGifts: (worth, { promotion }) =>
        worth === 0 ? 0 : Math.round(worth * (each.get(promotion.id) ?? 0)),
    },
  };
}

/** Rewards that may be given with others, and those that admit nothing beside them; of weight all is taken to hold. */
function rewardsIn(ringing: Ringing): [readonly LiveReward[], readonly LiveReward[]] {
  const all = liveRewards(ringing, null);
  const isSole = ({ promotion }: LiveReward) => promotion.offer.combinesWith === 'none';
  return [all.filter((one) => !isSole(one)), all.filter(isSole)];
}
