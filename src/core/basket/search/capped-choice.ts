import { type CappedMachine, isCapped } from '../offers/capped-bundle.ts';
import { forcedRun } from '../offers/forced-run.ts';
import type { OfferInBasket } from '../offers/offer-in-basket.ts';
import type { Budget, Choice } from './best-choice.ts';
import type { Taken } from './front.ts';

/** What looking for a bound may do, where hardly anything is left. */
const BOUNDING = 1_500_000;
/** What looking for a choice of prices bundle by bundle may do. */
const MOST_FOR_PATTERNS = 15_000_000;
/** Shares at which a bound is looked for; finer ones hardly ever say more. */
const FLOORS = [1, 0, 0.5, 0.25, 0.75];

/**
 * A choice for which some offers could do only part of what they can, made as good as can be, and how far beyond it the
 * whole could reach: no further than where those offers could do more than they can.
 */
export function bounded(
  choice: Choice,
  offers: readonly OfferInBasket[],
  narrowed: readonly OfferInBasket[],
  budget: Budget,
  chooseIn: (offers: readonly OfferInBasket[], budget: Budget) => Choice,
): Choice {
  if (narrowed.length === 0) return choice;
  const capped = new Map<number, CappedMachine>();
  for (const { machine } of narrowed) if (isCapped(machine)) capped.set(machine.offer, machine);
  // Without some work of its own the bound would say nothing where the search has used up everything.
  const own = { left: Math.max(budget.left, BOUNDING) };
  let best = madeMost(choice, offers, capped);
  let reach = Number.POSITIVE_INFINITY;
  for (const share of FLOORS) {
    const relaxed = offers.map((offer) => {
      const machine = capped.get(offer.machine.offer);
      return machine ? { ...offer, machine: machine.relaxed(share) } : offer;
    });
    const found = chooseIn(relaxed, own);
    reach = Math.min(reach, found.saving + found.bound);
    const made = madeMost(found, offers, capped);
    if (made.saving > best.saving) best = made;
    if (reach <= best.saving) break;
  }
  if (reach > best.saving) {
    const apart = patternsApart(offers, capped);
    const work = Math.min(Math.max(budget.left, BOUNDING), MOST_FOR_PATTERNS);
    const found = apart && chooseIn(apart.offers, { left: work });
    if (found) {
      reach = Math.min(reach, found.saving + found.bound);
      const taken = found.taken.map((one) => ({ ...one, offer: apart.ofWhom.get(one.offer) ?? one.offer }));
      // Patterns do not know of a limit: what they found may be more than is allowed, and bounds all the same.
      if (isWithin(taken, capped)) {
        const made = madeMost({ ...found, taken }, offers, capped);
        if (made.saving > best.saving) best = made;
      }
    }
  }
  const bound = Math.max(0, reach - best.saving);
  return { ...best, proved: bound === 0, bound };
}

const isWithin = (taken: readonly Taken[], capped: ReadonlyMap<number, CappedMachine>): boolean =>
  [...capped].every(([offer, { most }]) => taken.filter((one) => one.offer === offer).length <= most);

/** The offers with one for every choice of prices in the place of each capped one; null where these are too many. */
function patternsApart(
  offers: readonly OfferInBasket[],
  capped: ReadonlyMap<number, CappedMachine>,
): { offers: OfferInBasket[]; ofWhom: Map<number, number> } | null {
  const ofWhom = new Map<number, number>();
  const all = offers.filter(({ machine }) => !capped.has(machine.offer));
  let number = 1 + Math.max(...offers.map(({ machine }) => machine.offer));
  for (const offer of offers) {
    const machine = capped.get(offer.machine.offer);
    if (!machine) continue;
    const patterns = machine.patterns(number);
    if (!patterns) return null;
    for (const pattern of patterns) {
      ofWhom.set(pattern.offer, machine.offer);
      all.push({ ...offer, machine: pattern, kindOf: (unit) => String(offer.startOf(unit)) });
    }
    number = 1 + Math.max(number, ...patterns.map((pattern) => pattern.offer));
  }
  return { offers: all, ofWhom };
}

/** A choice with what it saves once capped offers take the dearest they can have, and make the best of it. */
function madeMost(
  choice: Choice,
  offers: readonly OfferInBasket[],
  capped: ReadonlyMap<number, CappedMachine>,
): Choice {
  let { taken } = choice;
  for (const [offer, machine] of capped) {
    const others = new Set(taken.filter((one) => one.offer !== offer).map(({ unit }) => unit.position));
    const own = taken.filter((one) => one.offer === offer).map(({ unit }) => unit);
    const dearest = machine.dearest(
      machine.members.filter(({ position }) => !others.has(position)),
      own.length,
    );
    if (machine.partition(dearest).worth <= machine.partition(own).worth) continue;
    const anew = dearest.map((unit): Taken => ({ unit, offer, role: 0 }));
    taken = [...taken.filter((one) => one.offer !== offer), ...anew];
  }
  const saving = offers.reduce((sum, offer) => {
    const used = taken.filter((one) => one.offer === offer.machine.offer).map(({ unit }) => unit);
    if (used.length === 0) return sum;
    const { machine } = offer;
    // One that could be searched whole does not know itself what its units bring either.
    return sum + (isCapped(machine) ? machine.partition(used).worth : forcedRun(offer, used)!.gain);
  }, 0);
  return { ...choice, taken, saving };
}
