import type { Unit } from '../unit.ts';
import { followBest, gainsAhead, roomFor, type UnitPrices } from './best-run.ts';
import { byPrices, type Found } from './greedy.ts';
import { arcsOf, type Layered } from './layered.ts';

export interface Pricing {
  readonly prices: UnitPrices;
  /** No choice of applications saves more than this. */
  readonly bound: number;
  /** The best choice that was come across on the way. */
  readonly found: Found;
}

const ROUNDS = 80;
/** Rounds without a better bound after which steps are halved. */
const PATIENCE = 5;
/** Every so many rounds a choice is made out of the prices. */
const CHOOSING = 8;
const CLOSE = 1e-7;

/**
 * Puts a price on every unit that several offers want, so that the offers, each taking what pays best for itself,
 * come as near as can be to wanting each unit once. Whatever the prices, their sum and what the offers then gain bound
 * every choice from above (Lagrangian duality; subgradient steps after Polyak).
 * @param classOf units of one class share a price.
 * @param known a choice that is known to be possible.
 */
export function priceUnits(
  offers: readonly Layered[],
  units: readonly Unit[],
  classOf: Int32Array,
  classes: number,
  known: Found,
  spend: (work: number) => boolean,
): Pricing {
  const capacity = new Float64Array(classes);
  for (const one of classOf) if (one >= 0) capacity[one]! += 1;
  const price = new Float64Array(classes);
  const prices = new Float64Array(classOf.length);
  const usage = new Float64Array(classes);
  const work = offers.reduce((sum, offer) => sum + 2 * arcsOf(offer), 0);
  const rooms = offers.map(roomFor);
  let best = { prices: prices.slice(), bound: Number.POSITIVE_INFINITY };
  let found = known;
  let scale = 1;
  let waited = 0;
  for (let round = 0; round < ROUNDS; round++) {
    if (!spend(work) && round > 0) break;
    classOf.forEach((one, position) => {
      prices[position] = one < 0 ? 0 : price[one]!;
    });
    usage.fill(0);
    let bound = 0;
    for (let c = 0; c < classes; c++) bound += price[c]! * capacity[c]!;
    offers.forEach((offer, i) => {
      const ahead = gainsAhead(offer, prices, rooms[i]);
      bound += ahead[0]!;
      followBest(offer, prices, ahead, (layer) => {
        usage[classOf[offer.units[layer]!.position]!]! += 1;
      });
    });
    if (bound < best.bound - CLOSE) {
      best = { prices: prices.slice(), bound };
      waited = 0;
    } else if (++waited >= PATIENCE) {
      scale /= 2;
      waited = 0;
    }
    if (round % CHOOSING === CHOOSING - 1) {
      const made = byPrices(offers, units, prices);
      spend(work);
      if (made.saving > found.saving) found = made;
    }
    let square = 0;
    for (let c = 0; c < classes; c++) {
      const over = usage[c]! - capacity[c]!;
      // A price of nothing cannot fall.
      if (over > 0 || price[c]! > 0) square += over * over;
    }
    if (square === 0 || best.bound < found.saving + 1 - CLOSE || scale < 1e-3) break;
    const step = (scale * Math.max(bound - found.saving, 0.5)) / square;
    for (let c = 0; c < classes; c++) price[c] = Math.max(0, price[c]! + step * (usage[c]! - capacity[c]!));
  }
  return { ...best, found };
}
