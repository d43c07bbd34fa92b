import { describe, expect, it } from 'vitest';
import type { PromotionSummary } from '../../contracts/view/index.ts';
import { dateOfIso, isoOf, runningOn } from './running-days.ts';

const one = (name: string, from: string, to: string | null, status = 'approved') =>
  ({ name, from, to, status }) as PromotionSummary;

describe('what runs on a day', () => {
  it.each<[string, string, string | null, boolean]>([
    ['begins in its evening', '2027-03-04T18:00', '2027-03-09T20:00', true],
    ['ended at its midnight', '2027-03-01T09:00', '2027-03-04T00:00', false],
    ['ends in it', '2027-03-01T09:00', '2027-03-04T08:00', true],
    ['has no end', '2026-01-01T00:00', null, true],
    ['begins a day later', '2027-03-05T00:00', '2027-03-09T20:00', false],
  ])('%s', (name, from, to, runs) => {
    expect(runningOn([one(name, from, to)], '2027-03-04')).toEqual(runs ? [name] : []);
  });

  it('is what is written already too, and nothing that was put away', () => {
    const all = ['draft', 'paused', 'archived'].map((status) =>
      one(status, '2027-01-01T00:00', null, status),
    );
    expect(runningOn(all, '2027-03-04')).toEqual(['draft']);
  });
});

it.each(['2027-03-28', '2026-12-31', '2028-02-29'])('%s is a day and back', (text) => {
  expect(isoOf(dateOfIso(`${text}T09:00`)!)).toBe(text);
});

it('is no day where nothing is typed yet', () => {
  expect(dateOfIso('')).toBeNull();
});
