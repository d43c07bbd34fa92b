import { describe, expect, it } from 'vitest';
import { lengthOf, type RepeatChoice, readLength, readRepeat, repeatRule } from './repeat-rule.ts';

describe('a repeat as it is chosen', () => {
  it.each<[string, RepeatChoice]>([
    ['FREQ=DAILY;INTERVAL=2', { every: 'day', interval: 2 }],
    ['FREQ=WEEKLY', { every: 'week', interval: 1, days: [] }],
    ['FREQ=WEEKLY;INTERVAL=3;BYDAY=MO,SA', { every: 'week', interval: 3, days: ['mon', 'sat'] }],
    ['FREQ=MONTHLY;BYMONTHDAY=15', { every: 'month', interval: 1, on: { kind: 'date', day: 15 } }],
    [
      'FREQ=MONTHLY;BYDAY=-1FR',
      { every: 'month', interval: 1, on: { kind: 'weekday', nth: -1, day: 'fri' } },
    ],
  ])('%s is %j, there and back', (rrule, choice) => {
    expect(readRepeat(rrule)).toEqual(choice);
    expect(repeatRule(choice)).toBe(rrule);
  });

  it.each([
    'FREQ=YEARLY',
    'FREQ=WEEKLY;COUNT=3',
    'FREQ=MONTHLY;BYDAY=MO;BYSETPOS=1',
    'FREQ=MONTHLY;BYDAY=MO,TU',
  ])('%s says more than the panel, and stays as it is', (rrule) => {
    expect(readRepeat(rrule)).toBeNull();
  });

  it.each([
    ['P2D', { count: 2, unit: 'days' }],
    ['P1W', { count: 1, unit: 'weeks' }],
    ['PT6H', { count: 6, unit: 'hours' }],
  ] as const)('%s is %j, there and back', (duration, length) => {
    expect(readLength(duration)).toEqual(length);
    expect(lengthOf(length.count, length.unit)).toBe(duration);
  });

  it('leaves a mixed length alone', () => {
    expect(readLength('P1DT30M')).toBeNull();
  });
});
