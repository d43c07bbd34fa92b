import type { Unit } from '../unit.ts';

/** What decides between choices of the same saving, so far along a run. */
export interface Standing {
  readonly gifts: number;
  readonly applications: number;
  readonly priorities: number;
  /** How often each promotion is applied, the smallest id in the highest digits. */
  readonly ids: bigint;
  readonly used: number;
  /** A digit for each unit, the earliest highest. */
  readonly positions: bigint;
}

export const EVEN: Standing = {
  gifts: 0,
  applications: 0,
  priorities: 0,
  ids: 0n,
  used: 0,
  positions: 0n,
};

/**
 * Pricing rules 4.2: of equal savings the lower total (the fewer gifts are counted in), fewer applications, the lower
 * sum of priorities, the smaller sorted list of promotion ids, fewer used units, the smallest sorted list of used unit
 * positions. Lists of one length: the smaller one has more of what is small.
 * @returns below zero where `a` is preferred.
 */
export function byStanding(a: Standing, b: Standing): number {
  return (
    a.gifts - b.gifts ||
    a.applications - b.applications ||
    a.priorities - b.priorities ||
    (a.ids === b.ids ? 0 : a.ids > b.ids ? -1 : 1) ||
    a.used - b.used ||
    (a.positions === b.positions ? 0 : a.positions > b.positions ? -1 : 1)
  );
}

export interface TieWeights {
  /** By offer: the priority of its promotion and its digit among the ids. */
  readonly offers: ReadonlyMap<number, { readonly priority: number; readonly digit: bigint }>;
  /** By position: the unit's digit. */
  readonly digitOf: (position: number) => bigint;
}

/** Digits for the offers and units of one search. */
export function tieWeights(
  offers: readonly { readonly offer: number; readonly promotion: string; readonly priority: number }[],
  units: readonly Unit[],
): TieWeights {
  const ids = [...new Set(offers.map(({ promotion }) => promotion))].sort();
  // Wide enough for as many applications as there are units.
  const width = BigInt(units.length.toString(2).length + 1);
  const places = units.map(({ position }) => position).sort((a, b) => a - b);
  const digits = new Map(places.map((position, i) => [position, 1n << BigInt(places.length - 1 - i)]));
  return {
    offers: new Map(
      offers.map(({ offer, promotion, priority }) => [
        offer,
        { priority, digit: 1n << (width * BigInt(ids.length - 1 - ids.indexOf(promotion))) },
      ]),
    ),
    digitOf: (position) => digits.get(position)!,
  };
}

/** What a step of an offer completes. */
export interface Brought {
  readonly done: number;
  readonly gifts: number;
}

/** A standing after applications were completed. */
export const finished = (standing: Standing, offer: number, step: Brought, weights: TieWeights): Standing =>
  step.done === 0 && step.gifts === 0 ? standing : grown(standing, offer, step, weights, 0, 0n);

/** A standing after a unit was taken. */
export const after = (
  standing: Standing,
  offer: number,
  position: number,
  step: Brought,
  weights: TieWeights,
): Standing => grown(standing, offer, step, weights, 1, weights.digitOf(position));

/** Written out field by field: a search makes a great many of them. */
function grown(
  { gifts, applications, priorities, ids, used, positions }: Standing,
  offer: number,
  step: Brought,
  weights: TieWeights,
  taken: number,
  digitOfUnit: bigint,
): Standing {
  const { priority, digit } = weights.offers.get(offer)!;
  return {
    gifts: gifts + step.gifts,
    applications: applications + step.done,
    priorities: priorities + step.done * priority,
    ids: step.done === 0 ? ids : ids + digit * BigInt(step.done),
    used: used + taken,
    positions: taken === 0 ? positions : positions + digitOfUnit,
  };
}
