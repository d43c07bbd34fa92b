import { describe, expect, it } from 'vitest';
import { readSchedule, type WhenDocument } from '../plan/index.ts';
import { formatMoment, parseMoment, spansWithin, zoneClock } from './index.ts';

function spans(when: WhenDocument, zone: string, from: string, to: string): string[] {
  const clock = zoneClock(zone);
  const asked = { from: parseMoment(from, clock)!, to: parseMoment(to, clock)! };
  return spansWithin(readSchedule(when), clock, asked).map(
    (span) => `${formatMoment(span.from, clock)}/${formatMoment(span.to, clock)}`,
  );
}

describe('spans of a schedule', () => {
  it.each<[string, WhenDocument, string, string[]]>([
    [
      'a late window belongs to the day it starts on',
      {
        from: '2027-03-01T00:00',
        to: '2027-03-15T00:00',
        windows: [{ days: ['fri'], from: '22:00', to: '02:00' }],
      },
      'Europe/Madrid',
      ['2027-03-05T22:00/2027-03-06T02:00', '2027-03-12T22:00/2027-03-13T02:00'],
    ],
    [
      'a window that began before counts from the start on',
      {
        from: '2027-03-06T00:30',
        to: '2027-03-07T00:00',
        windows: [{ days: ['fri'], from: '22:00', to: '02:00' }],
      },
      'Europe/Madrid',
      ['2027-03-06T00:30/2027-03-06T02:00'],
    ],
    [
      'COUNT counts before days left out',
      {
        from: '2027-03-01T09:00',
        repeat: { rrule: 'FREQ=WEEKLY;BYDAY=SA;COUNT=2', duration: 'PT6H' },
        except: ['2027-03-06'],
      },
      'Europe/Madrid',
      ['2027-03-13T09:00/2027-03-13T15:00'],
    ],
    [
      'a day left out is out whole',
      { from: '2027-03-01T09:00', to: '2027-03-04T09:00', except: ['2027-03-02'] },
      'Europe/Madrid',
      ['2027-03-01T09:00/2027-03-02T00:00', '2027-03-03T00:00/2027-03-04T09:00'],
    ],
    [
      'a start in the gap moves forward',
      { from: '2027-03-28T02:30', to: '2027-03-28T06:00' },
      'Europe/Madrid',
      ['2027-03-28T03:30/2027-03-28T06:00'],
    ],
  ])('%s', (_, when, zone, wanted) => {
    expect(spans(when, zone, '2027-03-01T00:00', '2027-04-01T00:00')).toEqual(wanted);
  });

  it('means the first of two equal wall times, in both hemispheres', () => {
    expect(
      spans(
        { from: '2027-10-31T02:30', to: '2027-10-31T04:00' },
        'Europe/Madrid',
        '2027-10-30T00:00',
        '2027-11-01T00:00',
      ),
    ).toEqual(['2027-10-31T02:30+02:00/2027-10-31T04:00']);
    expect(
      spans(
        { from: '2027-04-04T02:30', to: '2027-04-04T04:00' },
        'Australia/Sydney',
        '2027-04-03T00:00',
        '2027-04-05T00:00',
      ),
    ).toEqual(['2027-04-04T02:30+11:00/2027-04-04T04:00']);
  });
});
