import type { Unit } from './unit.ts';

/**
 * A contender as an automaton that reads the units it may use, one by one, and skips each or takes it in a role. Its
 * states are whole numbers of its own making. What the takings of a run bring, summed, is what the contender gains, if
 * the run ends in an accepted state.
 */
export interface Automaton<U extends Unit = Unit> {
  /** Number among the contenders. */
  readonly contender: number;
  /** The units it may use, in the order in which it has to read them. */
  readonly members: readonly U[];
  /** Whether that order matters: an automaton that does not mind may read its members in any. */
  readonly ordered: boolean;
  readonly start: number;
  takings(state: number, unit: U): readonly Taking[];
  /** Whether a state may stand once a member was read; `last`: the next one is on a lower level. Absent: always. */
  holds?(state: number, last: boolean): boolean;
  /**
   * Tells, for an order of reading, whether a state that stands after so many units may still come to an end, as far as
   * that is easily seen. Absent: it may.
   */
  prospects?(units: readonly U[]): (state: number, read: number) => boolean;
  /** What an end in this state adds; null: it may not end here. */
  accepts(state: number): Ending | null;
}

export interface Ending {
  /** What is gained. */
  readonly gain: number;
  /** What of the gain is given beside the units. */
  readonly gifts: number;
  /** Applications completed. */
  readonly done: number;
}

export interface Taking extends Ending {
  readonly to: number;
  /** What the unit is to the contender, which numbers its roles. */
  readonly role: number;
}

export const NOTHING: Ending = { gain: 0, gifts: 0, done: 0 };

export const taking = (to: number, role: number, gain: number, done = 0, gifts = 0): Taking => ({
  to,
  role,
  gain,
  done,
  gifts,
});

/** An automaton that does not mind in which order it reads, from state 0 on. */
export const unordered = <U extends Unit>(
  contender: number,
  members: readonly U[],
  rules: Pick<Automaton<U>, 'takings' | 'accepts'>,
): Automaton<U> => ({ contender, members, ordered: false, start: 0, ...rules });

/** How many applications are allowed; infinite where nothing is said. */
export type Limit = number;
