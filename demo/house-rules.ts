import type { HouseRules } from '../src/core/house-rules/index.ts';

const SHUT: readonly (readonly [day: string, name: string])[] = [
  ['01-01', 'New Year’s Day'],
  ['06-21', 'Midsummer'],
  ['12-25', 'Midwinter'],
];

/** What Quillmere asks of its promotions: nothing yet; its stores are shut on three days of a year. */
export const houseRules = (year: number): HouseRules => ({
  ...{ notEndingOn: [], longest: null, secondFrom: null },
  shutDays: [year, year + 1]
    .flatMap((one) => SHUT.map(([day, name]) => ({ day: `${one}-${day}`, name })))
    .sort((a, b) => (a.day < b.day ? -1 : 1)),
});
