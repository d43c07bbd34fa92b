import type { Unit } from '../unit.ts';
import { type Limit, NOTHING, type OfferMachine, type Taking, taking } from './machine.ts';

/** One part of an application: how many units it wants, and what each brings. */
export interface Part {
  readonly quantity: number;
  fits(unit: Unit): boolean;
  gain(unit: Unit): number;
}

/** One way in which the units of an application are counted. */
export interface PartsWay {
  readonly parts: readonly Part[];
  /** Added when an application is complete. */
  readonly whole: number;
}

/**
 * A machine of applications that need several parts each. Its roles are the numbers of the parts. A state counts the
 * units of each part, less those of complete applications; where applications are limited, it counts them too.
 */
export function partsMachine(
  number: number,
  { parts, whole }: PartsWay,
  members: readonly Unit[],
  limit: Limit,
  more: Partial<Pick<OfferMachine, 'ordered'>> & {
    holds?(counts: readonly number[], last: boolean): boolean;
  } = {},
): OfferMachine {
  const fitting = parts.map((part) => members.filter((unit) => part.fits(unit)).length);
  const possible = Math.min(limit, ...parts.map(({ quantity }, i) => Math.floor(fitting[i]! / quantity)));
  // No part is ever filled for more applications than there can be.
  const most = parts.map(({ quantity }) => quantity * possible);
  const limited = possible === limit;
  const radices = [...most.map((count) => count + 1), limited ? possible + 1 : 1];
  const encode = (counts: readonly number[], made: number) => {
    let state = 0;
    for (let i = radices.length - 1; i >= 0; i--)
      state = state * radices[i]! + (i === parts.length ? made : counts[i]!);
    return state;
  };
  const decoded = new Map<number, Counted>();
  const decode = (state: number): Counted => {
    let known = decoded.get(state);
    if (!known) {
      known = countedIn(state, radices);
      decoded.set(state, known);
    }
    return known;
  };
  const isWhole = (counts: readonly number[]) => parts.every(({ quantity }, p) => counts[p]! >= quantity);
  const waysOf = new Map<Unit, readonly PartGain[]>();
  for (const unit of members)
    waysOf.set(
      unit,
      parts.flatMap((part, i) => (part.fits(unit) ? [{ part: i, gain: part.gain(unit) }] : [])),
    );
  const { holds } = more;
  return {
    offer: number,
    members,
    ordered: more.ordered ?? false,
    start: 0,
    takings(state, unit) {
      const { counts, made } = decode(state);
      const ways: Taking[] = [];
      for (const { part, gain } of waysOf.get(unit)!) {
        if (counts[part]! + made * parts[part]!.quantity >= most[part]!) continue;
        const next = counts.with(part, counts[part]! + 1);
        if (isWhole(next)) {
          const left = next.map((count, p) => count - parts[p]!.quantity);
          ways.push(taking(encode(left, limited ? made + 1 : 0), part, gain + whole, 1));
        } else ways.push(taking(encode(next, made), part, gain));
      }
      return ways;
    },
    prospects: (units) => {
      const left = leftFrom(units, (unit) => waysOf.get(unit)!, parts.length);
      return (state, read) => canComplete(decode(state).counts, parts, left[read]!);
    },
    accepts: (state) => (decode(state).counts.every((count) => count === 0) ? NOTHING : null),
    ...(holds ? { holds: (state: number, last: boolean) => holds(decode(state).counts, last) } : {}),
  };
}

/** Units of each part in open applications, and complete ones where they are counted. */
interface Counted {
  readonly counts: readonly number[];
  readonly made: number;
}

/** What a unit brings as one of a part. */
interface PartGain {
  readonly part: number;
  readonly gain: number;
}

function countedIn(state: number, radices: readonly number[]): Counted {
  let rest = state;
  const digits = radices.map((radix) => {
    const digit = rest % radix;
    rest = Math.floor(rest / radix);
    return digit;
  });
  return { counts: digits.slice(0, -1), made: digits.at(-1)! };
}

/** Units still to be read: those that are in any part, and those in each. */
interface Left {
  readonly all: number;
  readonly of: readonly number[];
}

/** @returns what is left after so many units were read. */
function leftFrom(
  units: readonly Unit[],
  waysOf: (unit: Unit) => readonly PartGain[],
  parts: number,
): readonly Left[] {
  const left: Left[] = new Array(units.length + 1);
  left[units.length] = { all: 0, of: new Array<number>(parts).fill(0) };
  for (let l = units.length - 1; l >= 0; l--) {
    const { all, of } = left[l + 1]!;
    const ways = waysOf(units[l]!);
    left[l] = {
      all: all + 1,
      of: of.map((count, i) => count + (ways.some(({ part }) => part === i) ? 1 : 0)),
    };
  }
  return left;
}

/** Whether what open applications still lack may be left: of each part, and in all. */
function canComplete(counts: readonly number[], parts: readonly Part[], left: Left): boolean {
  let open = 0;
  for (let i = 0; i < parts.length; i++) open = Math.max(open, Math.ceil(counts[i]! / parts[i]!.quantity));
  let lacking = 0;
  for (let i = 0; i < parts.length; i++) {
    const missing = open * parts[i]!.quantity - counts[i]!;
    if (missing > left.of[i]!) return false;
    lacking += missing;
  }
  return lacking <= left.all;
}
