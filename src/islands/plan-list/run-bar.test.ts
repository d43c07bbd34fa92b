import { expect, it } from 'vitest';
import { weeksAround } from './run-bar.tsx';

it('six weeks around a moment begin a week before its day', () => {
  const weeks = weeksAround('2027-03-10T14:30');
  expect(weeks.starts).toEqual([
    '2027-03-03',
    '2027-03-10',
    '2027-03-17',
    '2027-03-24',
    '2027-03-31',
    '2027-04-07',
  ]);
  expect(weeks.to - weeks.from).toBe(42 * 86_400_000);
});
