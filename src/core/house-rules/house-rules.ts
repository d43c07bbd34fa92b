import type { Weekday } from '../calendar/index.ts';

/** A day on which the stores are shut all day, whatever their hours. */
export interface ShutDay {
  /** "2027-12-25" */
  readonly day: string;
  readonly name: string;
}

/** What a chain asks of its own promotions, beyond what a promotion has to be to be one. */
export interface HouseRules {
  /** No promotion ends on these. */
  readonly notEndingOn: readonly Weekday[];
  /** Days that a promotion lasts at most, one of its repeats where it has some; null: as long as it likes. */
  readonly longest: number | null;
  /** Basis points: what takes more than this off a price is approved by two; null: one is enough. */
  readonly secondFrom: number | null;
  readonly shutDays: readonly ShutDay[];
}

export const NO_HOUSE_RULES: HouseRules = {
  notEndingOn: [],
  longest: null,
  secondFrom: null,
  shutDays: [],
};
