import type { Unit } from '../unit.ts';
import { type Limit, NOTHING, type OfferMachine, taking } from './machine.ts';

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
  const decode = (state: number) => {
    let rest = state;
    const digits = radices.map((radix) => {
      const digit = rest % radix;
      rest = Math.floor(rest / radix);
      return digit;
    });
    return { counts: digits.slice(0, -1), made: digits.at(-1)! };
  };
  const { holds } = more;
  return {
    offer: number,
    members,
    ordered: more.ordered ?? false,
    start: 0,
    takings(state, unit) {
      const { counts, made } = decode(state);
      return parts.flatMap((part, i) => {
        if (!part.fits(unit) || counts[i]! + made * part.quantity >= most[i]!) return [];
        const next = counts.with(i, counts[i]! + 1);
        if (!parts.every(({ quantity }, p) => next[p]! >= quantity))
          return [taking(encode(next, made), i, part.gain(unit))];
        const left = next.map((count, p) => count - parts[p]!.quantity);
        return [taking(encode(left, limited ? made + 1 : 0), i, part.gain(unit) + whole, 1)];
      });
    },
    accepts: (state) => (decode(state).counts.every((count) => count === 0) ? NOTHING : null),
    ...(holds ? { holds: (state: number, last: boolean) => holds(decode(state).counts, last) } : {}),
  };
}
