import { type Limit, NOTHING, type Taking, taking } from '../../assignment/index.ts';
import type { OfferAutomaton } from './offer-automaton.ts';
import type { Unit } from './unit.ts';

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
 * An automaton of applications that need several parts each. Its roles are the numbers of the parts. A state counts the
 * units of each part, less those of complete applications; where applications are limited, it counts them too.
 */
export function partsAutomaton(
  number: number,
  { parts, whole }: PartsWay,
  members: readonly Unit[],
  limit: Limit,
  more: Partial<Pick<OfferAutomaton, 'ordered'>> & {
    holds?(counts: readonly number[], last: boolean): boolean;
  } = {},
): OfferAutomaton {
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
  /** Where a further unit of a part leads: the same for every unit, so that it is worked out once. */
  const moves = parts.map(() => new Map<number, Move | null>());
  const moveOf = (state: number, part: number): Move | null => {
    let move = moves[part]!.get(state);
    if (move === undefined) {
      move = moved(state, part);
      moves[part]!.set(state, move);
    }
    return move;
  };
  const moved = (state: number, part: number): Move | null => {
    const { counts, made } = decode(state);
    if (counts[part]! + made * parts[part]!.quantity >= most[part]!) return null;
    const next = counts.with(part, counts[part]! + 1);
    if (!isWhole(next)) return { to: encode(next, made), more: 0, done: 0 };
    const left = next.map((count, p) => count - parts[p]!.quantity);
    return { to: encode(left, limited ? made + 1 : 0), more: whole, done: 1 };
  };
  const lacks = new Map<number, Left>();
  const lacking = (state: number): Left => {
    let found = lacks.get(state);
    if (!found) {
      found = lackingFor(decode(state).counts, parts);
      lacks.set(state, found);
    }
    return found;
  };
  const { holds } = more;
  return {
    contender: number,
    members,
    ordered: more.ordered ?? false,
    start: 0,
    takings(state, unit) {
      const ways: Taking[] = [];
      for (const { part, gain } of waysOf.get(unit)!) {
        const move = moveOf(state, part);
        if (move) ways.push(taking(move.to, part, gain + move.more, move.done));
      }
      return ways;
    },
    prospects: (units) => {
      const left = leftFrom(units, (unit) => waysOf.get(unit)!, parts.length);
      return (state, read) => isLeft(lacking(state), left[read]!);
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

/** The state after a further unit of a part, what that adds to what the unit brings, and applications completed. */
interface Move {
  readonly to: number;
  readonly more: number;
  readonly done: number;
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

/** So many units, in any part and in each: those still to be read, or those that are lacking. */
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

/** What open applications still lack: in all, and of each part. */
function lackingFor(counts: readonly number[], parts: readonly Part[]): Left {
  const open = parts.reduce((most, { quantity }, i) => Math.max(most, Math.ceil(counts[i]! / quantity)), 0);
  const of = parts.map(({ quantity }, i) => open * quantity - counts[i]!);
  return { all: of.reduce((sum, missing) => sum + missing, 0), of };
}

/** Whether as much may be left as is lacking. */
function isLeft(lacking: Left, left: Left): boolean {
  if (lacking.all > left.all) return false;
  for (let i = 0; i < lacking.of.length; i++) if (lacking.of[i]! > left.of[i]!) return false;
  return true;
}
