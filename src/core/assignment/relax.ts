import { type Multipliers, roomFor } from './best-run.ts';
import { byMultipliers, type Found } from './incumbent.ts';
import { arcsOf, type LayeredGraph, SKIP } from './layered-graph.ts';
import type { Unit } from './unit.ts';

export interface Relaxation {
  readonly multipliers: Multipliers;
  /** No choice of applications saves more than this. */
  readonly bound: number;
  /** The best choice that was come across on the way. */
  readonly found: Found;
}

const ROUNDS = 80;
/** Rounds without a better bound after which steps are halved. */
const PATIENCE = 5;
/** Every so many rounds a choice is made out of the multipliers. */
const CHOOSING = 20;
/** Steps smaller than this have never paid. */
const SMALLEST_SCALE = 0.02;
const CLOSE = 1e-7;

/**
 * Puts a multiplier on every unit that several contenders want, so that the contenders, each taking what pays best for itself,
 * come as near as can be to wanting each unit once. Whatever the multipliers, their sum and what the contenders then gain bound
 * every choice from above (Lagrangian duality; subgradient steps after Polyak).
 * @param classOf units of one class share a multiplier.
 * @param known a choice that is known to be possible.
 */
export function relax(
  contenders: readonly LayeredGraph[],
  units: readonly Unit[],
  classOf: Int32Array,
  classes: number,
  known: Found,
  spend: (work: number) => boolean,
): Relaxation {
  const capacity = new Float64Array(classes);
  for (const one of classOf) if (one >= 0) capacity[one]! += 1;
  const multiplier = new Float64Array(classes);
  const usage = new Float64Array(classes);
  const work = contenders.reduce((sum, contender) => sum + 2 * arcsOf(contender), 0);
  const bidders = contenders.map((contender) => bidderOf(contender, classOf));
  const byPosition = () => Float64Array.from(classOf, (one) => (one < 0 ? 0 : multiplier[one]!));
  let best = { multipliers: multiplier.slice(), bound: Number.POSITIVE_INFINITY };
  let found = known;
  let scale = 1;
  let waited = 0;
  for (let round = 0; round < ROUNDS; round++) {
    if (!spend(work) && round > 0) break;
    usage.fill(0);
    let bound = 0;
    for (let c = 0; c < classes; c++) bound += multiplier[c]! * capacity[c]!;
    for (const bidder of bidders) bound += bid(bidder, multiplier, usage);
    if (bound < best.bound - CLOSE) {
      best = { multipliers: multiplier.slice(), bound };
      waited = 0;
    } else if (++waited >= PATIENCE) {
      scale /= 2;
      waited = 0;
    }
    if (round % CHOOSING === CHOOSING - 1) {
      const made = byMultipliers(contenders, units, byPosition());
      spend(work);
      if (made.saving > found.saving) found = made;
    }
    let square = 0;
    for (let c = 0; c < classes; c++) {
      const over = usage[c]! - capacity[c]!;
      // A multiplier of nothing cannot fall.
      if (over > 0 || multiplier[c]! > 0) square += over * over;
    }
    if (square === 0 || best.bound < found.saving + 1 - CLOSE || scale < SMALLEST_SCALE) break;
    const step = (scale * Math.max(bound - found.saving, 0.5)) / square;
    for (let c = 0; c < classes; c++)
      multiplier[c] = Math.max(0, multiplier[c]! + step * (usage[c]! - capacity[c]!));
  }
  multiplier.set(best.multipliers);
  return { multipliers: byPosition(), bound: best.bound, found };
}

/** A contender that takes what pays best for itself, asked again and again. */
interface Bidder {
  readonly contender: LayeredGraph;
  /** The class of the unit of each layer. */
  readonly classAt: Int32Array;
  /** By state: the most that can still be gained from there, and the arc that does. */
  readonly ahead: Float64Array;
  readonly pick: Int32Array;
}

function bidderOf(contender: LayeredGraph, classOf: Int32Array): Bidder {
  const ahead = roomFor(contender);
  const classAt = Int32Array.from(contender.units, ({ position }) => classOf[position]!);
  return { contender, classAt, ahead, pick: new Int32Array(ahead.length) };
}

/**
 * What a contender gains at most at these multipliers; what it takes for that is added to the usage. The arcs are remembered on
 * the way back, so that the way there costs next to nothing: this is most of the work of a search.
 */
function bid(
  { contender, classAt, ahead, pick }: Bidder,
  multiplier: Float64Array,
  usage: Float64Array,
): number {
  const { offset, from, to, role, gain } = contender;
  const layers = classAt.length;
  for (let l = layers - 1; l >= 0; l--) {
    const dear = multiplier[classAt[l]!]!;
    const end = offset[l + 1]!;
    for (let s = offset[l]!; s < end; s++) {
      const last = from[s + 1]!;
      let most = Number.NEGATIVE_INFINITY;
      let arc = from[s]!;
      for (let a = arc; a < last; a++) {
        const worth = gain[a]! + ahead[to[a]!]! - (role[a] === SKIP ? 0 : dear);
        if (worth > most) {
          most = worth;
          arc = a;
        }
      }
      ahead[s] = most;
      pick[s] = arc;
    }
  }
  let state = 0;
  for (let l = 0; l < layers; l++) {
    const arc = pick[state]!;
    if (role[arc] !== SKIP) usage[classAt[l]!]! += 1;
    state = to[arc]!;
  }
  return ahead[0]!;
}
