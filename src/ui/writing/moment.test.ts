import { describe, expect, it } from 'vitest';
import { phaseOf } from '../phase.ts';
import { shortDate, shortMoment, timeIn, zoneWords } from './moment.ts';

describe('dates and hours', () => {
  it.each([
    ['2026-11-26T09:00', '2026-11-25T10:00', 'Thu 26 Nov, 9:00'],
    ['2027-01-02T20:05', '2026-11-25T10:00', 'Sat 2 Jan 2027, 20:05'],
    ['2027-10-31T02:30+01:00', '2027-10-30T00:00', 'Sun 31 Oct, 2:30 (UTC+01:00)'],
  ])('%s seen from %s reads "%s"', (text, near, words) => {
    expect(shortMoment(text, near)).toBe(words);
  });
  it('leave the year out only where it is the reader’s', () => {
    expect(shortDate('2026-12-31', '2026-01-01')).toBe('Thu 31 Dec');
    expect(shortDate('2027-01-01', '2026-01-01')).toBe('Fri 1 Jan 2027');
  });
  it('name a zone by its town', () => {
    expect(zoneWords('America/New_York')).toBe('New York time');
  });
});

describe('where a promotion stands', () => {
  it.each([
    ['approved', '2027-03-01T09:00', null, 'live'],
    ['approved', '2027-03-01T09:01', null, 'coming'],
    ['approved', '2027-02-01T09:00', '2027-03-01T09:00', 'over'],
    ['approved', '2027-02-01T09:00', '2027-03-01T09:00:30', 'live'],
    ['draft', '2027-02-01T09:00', null, 'draft'],
    ['draft', '2027-02-01T09:00', '2027-02-02T09:00', 'over'],
    ['paused', '2027-02-01T09:00', null, 'paused'],
    ['archived', '2027-02-01T09:00', '2027-02-02T09:00', 'archived'],
  ] as const)('%s from %s to %s is %s', (status, from, to, phase) => {
    expect(phaseOf({ status, from, to }, '2027-03-01T09:00')).toBe(phase);
  });
});

it.each([
  ['Europe/Madrid', '2027-01-10T23:30'],
  ['Europe/Lisbon', '2027-01-10T22:30'],
  ['Pacific/Auckland', '2027-01-11T11:30'],
])('an instant is told by the clock of %s, whatever machine tells it', (timeZone, told) => {
  expect(timeIn(timeZone, '2027-01-10T22:30:59.123Z')).toBe(told);
});
