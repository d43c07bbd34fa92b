import type { WhenDocument } from '../src/core/plan/index.ts';

const DAY = 86_400_000;
const THURSDAY = 4;

/** Dates around the day the demo is loaded, in the rhythm of the chain: flyers run from Thursday to Wednesday. */
export interface Weeks {
  /** A date so many days before or after. */
  day(offset: number): string;
  /** From the Thursday of a week, eight o'clock, to a Wednesday, eight in the evening. 0: the week that runs. */
  flyer(week: number, weeks?: number): Required<Pick<WhenDocument, 'from' | 'to'>>;
}

export function weeksAround(today: string): Weeks {
  const start = Date.parse(`${today}T00:00Z`);
  const day = (offset: number): string => new Date(start + offset * DAY).toISOString().slice(0, 10);
  const sinceThursday = (new Date(start).getUTCDay() - THURSDAY + 7) % 7;
  return {
    day,
    flyer(week, weeks = 1) {
      const first = week * 7 - sinceThursday;
      return { from: `${day(first)}T08:00`, to: `${day(first + weeks * 7 - 1)}T20:00` };
    },
  };
}
