import { expect, it } from 'vitest';
import { lastAt, nextAt } from './last-at.ts';
import type { Instant } from './wall-time.ts';
import { zoneClock } from './zone-clock.ts';

const madrid = zoneClock('Europe/Madrid');
const at = (text: string) => Date.parse(text) as Instant;
const iso = (instant: Instant) => new Date(instant).toISOString().slice(0, 16);

it.each([
  ['in the middle of a day', '18:00', '2027-03-01T12:00Z', '2027-02-28T17:00', '2027-03-01T17:00'],
  ['at that very moment', '18:00', '2027-03-01T17:00Z', '2027-03-01T17:00', '2027-03-02T17:00'],
  ['at midnight', '00:00', '2027-03-01T22:59Z', '2027-02-28T23:00', '2027-03-01T23:00'],
  ['before an hour that the day skips', '02:30', '2027-03-28T00:59Z', '2027-03-27T01:30', '2027-03-28T01:30'],
  [
    'after an hour that the day skipped',
    '02:30',
    '2027-03-28T02:00Z',
    '2027-03-28T01:30',
    '2027-03-29T00:30',
  ],
  ['between the two times of an hour', '02:30', '2027-10-31T01:00Z', '2027-10-31T00:30', '2027-11-01T01:30'],
])('the hour before and after, %s', (_, hour, now, last, next) => {
  const [hours, minutes] = hour.split(':').map(Number);
  const ofDay = hours! * 60 + minutes!;
  expect([iso(lastAt(ofDay, madrid, at(now))), iso(nextAt(ofDay, madrid, at(now)))]).toEqual([last, next]);
});
