import { expect, test } from 'vitest';
import { firstDayOf, formatLocalDate, parseLocalDate } from './index.ts';

test.each([
  ['day', '2027-03-03', '2027-03-03'],
  ['week', '2027-03-01', '2027-03-01'],
  ['week', '2027-03-07', '2027-03-01'],
  ['week', '2027-03-08', '2027-03-08'],
  // Over the turn of a year.
  ['week', '2027-01-03', '2026-12-28'],
  ['month', '2027-03-31', '2027-03-01'],
  ['month', '2028-02-29', '2028-02-01'],
] as const)('the %s of %s begins on %s', (span, day, first) => {
  expect(formatLocalDate(firstDayOf(span, parseLocalDate(day)!))).toBe(first);
});
