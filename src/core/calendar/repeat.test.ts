import { describe, expect, it } from 'vitest';
import { readSchedule, type WhenDocument } from '../plan/index.ts';
import { formatMoment, HOUR, parseMoment, parseSpanLength, spansWithin, zoneClock } from './index.ts';

function spans(when: WhenDocument, from: string, to: string, zone = 'Europe/Madrid'): string[] {
  const clock = zoneClock(zone);
  const asked = { from: parseMoment(from, clock)!, to: parseMoment(to, clock)! };
  return spansWithin(readSchedule(when), clock, asked).map(
    (span) => `${formatMoment(span.from, clock)}/${formatMoment(span.to, clock)}`,
  );
}
const series = (rrule: string, duration: string, more: Partial<WhenDocument> = {}): WhenDocument => ({
  from: '2027-03-01T09:00',
  repeat: { rrule, duration },
  ...more,
});

describe('a length of time', () => {
  it.each([
    ['P2D', 2, 0],
    ['P1W', 7, 0],
    ['P1W2D', 9, 0],
    ['PT6H', 0, 6 * HOUR],
    ['PT90M', 0, 1.5 * HOUR],
    ['P1DT30M', 1, HOUR / 2],
  ])('%s is %s days and %s ms', (text, days, elapsed) => {
    expect(parseSpanLength(text)).toEqual({ days, elapsed });
  });
  it.each([
    '',
    'P',
    'PT',
    'P0D',
    'PT0H',
    '2D',
    'P1Y',
    'P1M',
    'P1.5D',
    '-P1D',
    'P1DT',
    'PT1S',
    'P367D',
    'P9999W',
  ])('is not "%s"', (text) => {
    expect(parseSpanLength(text)).toBeNull();
  });
});

describe('a series', () => {
  it('begins with its start only where that matches the rule', () => {
    // 1 March 2027 is a Monday.
    expect(spans(series('FREQ=WEEKLY;BYDAY=SA', 'PT6H'), '2027-03-01T00:00', '2027-03-14T00:00')).toEqual([
      '2027-03-06T09:00/2027-03-06T15:00',
      '2027-03-13T09:00/2027-03-13T15:00',
    ]);
    expect(spans(series('FREQ=WEEKLY;BYDAY=MO', 'PT6H'), '2027-03-01T00:00', '2027-03-07T00:00')).toEqual([
      '2027-03-01T09:00/2027-03-01T15:00',
    ]);
  });

  it.each([
    ['FREQ=WEEKLY;BYDAY=SA;UNTIL=20270313T090000', 2],
    ['FREQ=WEEKLY;BYDAY=SA;UNTIL=20270313T085900', 1],
    ['FREQ=WEEKLY;BYDAY=SA;UNTIL=20270313', 2],
    ['FREQ=WEEKLY;BYDAY=SA;UNTIL=20270313T090000Z', 2],
    ['FREQ=WEEKLY;BYDAY=SA;COUNT=3', 3],
    ['RRULE:FREQ=WEEKLY;BYDAY=SA;COUNT=3', 3],
    ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-1;COUNT=2', 2],
  ])('by %s has %i spans', (rrule, count) => {
    expect(spans(series(rrule, 'PT1H'), '2027-03-01T00:00', '2027-06-01T00:00')).toHaveLength(count);
  });

  it('is bounded by its end, which cuts a running span', () => {
    const when = series('FREQ=WEEKLY;BYDAY=SA', 'P2D', { to: '2027-03-14T00:00' });
    expect(spans(when, '2027-03-01T00:00', '2027-04-01T00:00')).toEqual([
      '2027-03-06T09:00/2027-03-08T09:00',
      '2027-03-13T09:00/2027-03-14T00:00',
    ]);
  });

  it('leaves days out by where spans start, and lets one run over', () => {
    const when = series('FREQ=WEEKLY;BYDAY=SA', 'P2D', { except: ['2027-03-07', '2027-03-13'] });
    expect(spans(when, '2027-03-01T00:00', '2027-03-20T00:00')).toEqual([
      '2027-03-06T09:00/2027-03-08T09:00',
    ]);
  });

  it('joins spans that overlap', () => {
    expect(spans(series('FREQ=DAILY;COUNT=3', 'P1DT1H'), '2027-03-01T00:00', '2027-04-01T00:00')).toEqual([
      '2027-03-01T09:00/2027-03-04T10:00',
    ]);
  });

  it('counts days by the wall clock and hours as they pass, over a night when clocks change', () => {
    const day = series('FREQ=WEEKLY;BYDAY=SA', 'P1D');
    expect(spans(day, '2027-03-27T00:00', '2027-03-29T00:00')).toEqual(['2027-03-27T09:00/2027-03-28T09:00']);
    const hours = series('FREQ=WEEKLY;BYDAY=SA', 'PT24H');
    expect(spans(hours, '2027-03-27T00:00', '2027-03-29T00:00')).toEqual([
      '2027-03-27T09:00/2027-03-28T10:00',
    ]);
    const autumn = { ...hours, from: '2027-10-02T09:00' };
    expect(spans(autumn, '2027-10-30T00:00', '2027-11-01T00:00')).toEqual([
      '2027-10-30T09:00/2027-10-31T08:00',
    ]);
    // In the south the clocks go the other way: back on 4 April.
    expect(spans(hours, '2027-04-03T00:00', '2027-04-05T00:00', 'Australia/Sydney')).toEqual([
      '2027-04-03T09:00/2027-04-04T08:00',
    ]);
  });

  it('takes only hours that are also in its windows', () => {
    const when = series('FREQ=WEEKLY;BYDAY=SA', 'P1D', {
      windows: [
        { from: '10:00', to: '12:00' },
        { days: ['sat'], from: '14:00', to: '16:00' },
      ],
    });
    expect(spans(when, '2027-03-06T00:00', '2027-03-08T00:00')).toEqual([
      '2027-03-06T10:00/2027-03-06T12:00',
      '2027-03-06T14:00/2027-03-06T16:00',
    ]);
  });
});

describe('windows when clocks change', () => {
  const nightly = (from: string, to: string): WhenDocument => ({
    from: '2027-03-01T00:00',
    windows: [{ from, to }],
  });
  it.each([
    [
      'in the gap move forward',
      nightly('02:15', '02:45'),
      '2027-03-28T00:00',
      '2027-03-29T00:00',
      'Europe/Madrid',
      ['2027-03-28T03:15/2027-03-28T03:45'],
    ],
    [
      'over the gap are an hour shorter',
      nightly('01:00', '04:00'),
      '2027-03-28T00:00',
      '2027-03-29T00:00',
      'Europe/Madrid',
      ['2027-03-28T01:00/2027-03-28T04:00'],
    ],
    [
      'in the hour that comes twice are the first one',
      nightly('02:15', '02:45'),
      '2027-10-31T00:00',
      '2027-11-01T00:00',
      'Europe/Madrid',
      ['2027-10-31T02:15+02:00/2027-10-31T02:45+02:00'],
    ],
    [
      'to midnight end there',
      nightly('22:00', '24:00'),
      '2027-03-28T00:00',
      '2027-03-29T00:00',
      'Europe/Madrid',
      ['2027-03-28T22:00/2027-03-29T00:00'],
    ],
    [
      'over midnight belong to the evening',
      nightly('22:00', '02:00'),
      '2027-03-02T12:00',
      '2027-03-03T12:00',
      'UTC',
      ['2027-03-02T22:00/2027-03-03T02:00'],
    ],
  ])('%s', (_, when, from, to, zone, wanted) => {
    expect(spans(when, from, to, zone)).toEqual(wanted);
  });
});
