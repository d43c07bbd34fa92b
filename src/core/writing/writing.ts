import type { Weekday } from '../calendar/index.ts';

export type WritingField = 'weekday' | 'day' | 'month' | 'year' | 'hour' | 'minute' | 'half';

/** What stands literally, and where a field goes: `["", {field: "weekday"}, " ", {field: "day"}]`. */
export type WritingPattern = readonly (string | { readonly field: WritingField })[];

/**
 * How dates, times of day, numbers and amounts are written in one language: plain data, so that the server and the
 * browser write alike whatever each of them knows of languages by itself.
 */
export interface Writing {
  /** BCP 47 tag. */
  readonly language: string;
  /** A date with its year, and one near enough to need none. */
  readonly date: WritingPattern;
  readonly nearDate: WritingPattern;
  /** A day within a year: "26 Nov". */
  readonly monthDay: WritingPattern;
  /** A date with its time of day, both ways. */
  readonly moment: WritingPattern;
  readonly nearMoment: WritingPattern;
  /** A time of day alone. */
  readonly clock: WritingPattern;
  /** As they stand inside a date. January first; twelve each. */
  readonly months: readonly string[];
  readonly nearMonths: readonly string[];
  /** As they stand alone. */
  readonly monthNames: readonly string[];
  readonly weekdays: Readonly<Record<Weekday, string>>;
  /** For each hour of the day, how it is numbered and (where the language has them) which part of the day it is in. */
  readonly hours: readonly string[];
  readonly halves: readonly string[];
  /** "5" or "05". */
  readonly twoDigitDays: boolean;
  readonly decimal: string;
  readonly group: string;
  /** Digits of the group before the decimals, and of those before it: 3 and 3, in some languages 3 and 2. */
  readonly groups: readonly [number, number];
  /** A whole part is set in groups from so many digits on. */
  readonly groupedFrom: number;
  /** Around a percentage: "" and " %". */
  readonly percent: readonly [before: string, after: string];
}
