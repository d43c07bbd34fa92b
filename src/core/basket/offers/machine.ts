import type { Unit } from '../unit.ts';

/**
 * One offer as a machine that reads the units it may use, one by one, and skips each or takes it. Its states are
 * whole numbers of its own making. What a unit brings is counted against the units' tag prices; the sum over a run that
 * ends in an accepted state is the saving of the applications that the run made.
 */
export interface OfferMachine {
  /** Number among the offers of the basket. */
  readonly offer: number;
  /** The units it may use, in the order in which it has to read them. */
  readonly members: readonly Unit[];
  /** Whether that order matters: a machine that does not mind may read its members in any. */
  readonly ordered: boolean;
  readonly start: number;
  takings(state: number, unit: Unit): readonly Taking[];
  /** Whether a state may stand once a member was read; `last`: the next one starts from a lower price. Absent: always. */
  holds?(state: number, last: boolean): boolean;
  /**
   * Tells, for an order of reading, whether a state that stands after so many units may still come to an end, as far as
   * that is easily seen. Absent: it may.
   */
  prospects?(units: readonly Unit[]): (state: number, read: number) => boolean;
  /** What an end in this state adds; null: it may not end here. */
  accepts(state: number): Ending | null;
}

export interface Ending {
  /** Minor units saved. */
  readonly gain: number;
  /** Tag value of gifts within the gain. */
  readonly gifts: number;
  /** Applications completed. */
  readonly done: number;
}

export interface Taking extends Ending {
  readonly to: number;
  /** What the unit is to the offer; each kind of offer numbers its roles. */
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

/** A machine that does not mind in which order it reads, from state 0 on. */
export const unordered = (
  offer: number,
  members: readonly Unit[],
  rules: Pick<OfferMachine, 'takings' | 'accepts'>,
): OfferMachine => ({ offer, members, ordered: false, start: 0, ...rules });

/** How many applications a basket allows; infinite where the offer does not say. */
export type Limit = number;
