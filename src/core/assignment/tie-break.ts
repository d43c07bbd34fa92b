import type { Unit } from './unit.ts';

/** What decides between choices of the same saving, so far along a run. */
export interface Standing {
  readonly gifts: number;
  readonly applications: number;
  readonly ranks: number;
  /** How often each name is applied, the smallest in the highest digits. */
  readonly ids: bigint;
  readonly used: number;
  /** A digit for each unit, the earliest highest. */
  readonly positions: bigint;
}

export const EVEN: Standing = {
  gifts: 0,
  applications: 0,
  ranks: 0,
  ids: 0n,
  used: 0,
  positions: 0n,
};

/**
 * Relaxation rules 4.2: of equal savings the lower total (the fewer gifts are counted in), fewer applications, the lower
 * sum of ranks, the smaller sorted list of names, fewer used units, the smallest sorted list of used unit
 * positions. Lists of one length: the smaller one has more of what is small.
 * @returns below zero where `a` is preferred.
 */
export function byStanding(a: Standing, b: Standing): number {
  return (
    a.gifts - b.gifts ||
    a.applications - b.applications ||
    a.ranks - b.ranks ||
    (a.ids === b.ids ? 0 : a.ids > b.ids ? -1 : 1) ||
    a.used - b.used ||
    (a.positions === b.positions ? 0 : a.positions > b.positions ? -1 : 1)
  );
}

export interface TieWeights {
  /** By contender: its rank, and the digit of its name. */
  readonly contenders: ReadonlyMap<number, { readonly rank: number; readonly digit: bigint }>;
  /** By position: the unit's digit. */
  readonly digitOf: (position: number) => bigint;
}

/** Digits for the contenders and units of one search. */
export function tieWeights(
  contenders: readonly { readonly contender: number; readonly name: string; readonly rank: number }[],
  units: readonly Unit[],
): TieWeights {
  const ids = [...new Set(contenders.map(({ name }) => name))].sort();
  // Wide enough for as many applications as there are units.
  const width = BigInt(units.length.toString(2).length + 1);
  const places = units.map(({ position }) => position).sort((a, b) => a - b);
  const digits = new Map(places.map((position, i) => [position, 1n << BigInt(places.length - 1 - i)]));
  return {
    contenders: new Map(
      contenders.map(({ contender, name, rank }) => [
        contender,
        { rank, digit: 1n << (width * BigInt(ids.length - 1 - ids.indexOf(name))) },
      ]),
    ),
    digitOf: (position) => digits.get(position)!,
  };
}

/** What a step of a contender completes. */
export interface Brought {
  readonly done: number;
  readonly gifts: number;
}

/** A standing after applications were completed. */
export const finished = (
  standing: Standing,
  contender: number,
  step: Brought,
  weights: TieWeights,
): Standing =>
  step.done === 0 && step.gifts === 0 ? standing : grown(standing, contender, step, weights, 0, 0n);

/** A standing after a unit was taken. */
export const after = (
  standing: Standing,
  contender: number,
  position: number,
  step: Brought,
  weights: TieWeights,
): Standing => grown(standing, contender, step, weights, 1, weights.digitOf(position));

/** Written out field by field: a search makes a great many of them. */
function grown(
  { gifts, applications, ranks, ids, used, positions }: Standing,
  contender: number,
  step: Brought,
  weights: TieWeights,
  taken: number,
  digitOfUnit: bigint,
): Standing {
  const { rank, digit } = weights.contenders.get(contender)!;
  return {
    gifts: gifts + step.gifts,
    applications: applications + step.done,
    ranks: ranks + step.done * rank,
    ids: step.done === 0 ? ids : ids + digit * BigInt(step.done),
    used: used + taken,
    positions: taken === 0 ? positions : positions + digitOfUnit,
  };
}
