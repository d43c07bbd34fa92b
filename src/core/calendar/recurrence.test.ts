import fc from 'fast-check';
import { RRule } from 'rrule';
import { describe, expect, it } from 'vitest';
import {
  DAY,
  formatWallTime,
  HOUR,
  isRepeatFault,
  parseRepeatRule,
  parseWallTime,
  type Recurrence,
  startsBetween,
  type WallTime,
} from './index.ts';

const wall = (text: string) => parseWallTime(text)!;
const START = wall('2027-03-01T09:00');

function series(rrule: string, from = START): Recurrence {
  const read = parseRepeatRule(rrule, from);
  if (isRepeatFault(read)) throw new Error(`${rrule}: ${read.what}`);
  return read;
}
const starts = (rrule: string, from: string, to: string) =>
  startsBetween(series(rrule), wall(from), wall(to)).map(formatWallTime);

describe('a rule is refused', () => {
  it.each([
    ['', /not a part/],
    ['FREQ=DAILY;', /not a part/],
    ['FREQ', /FREQ/],
    ['BYDAY=SA', /FREQ is missing/],
    ['FREQ=SECONDLY', /FREQ SECONDLY/],
    ['FREQ=MINUTELY', /FREQ MINUTELY/],
    ['FREQ=SOMETIMES', /FREQ SOMETIMES/],
    ['FREQ=DAILY;FREQ=DAILY', /twice/],
    ['FREQ=DAILY;BYEASTER=0', /not a part/],
    ['FREQ=DAILY;DTSTART=20270101T000000', /not a part/],
    ['FREQ=DAILY\nATTACH=x', /FREQ/],
    ...['0', '-1', 'abc', '', '1.5', '1e9', '99999999999', 'NaN', ' 2', '0x10'].map(
      (value) => [`FREQ=DAILY;INTERVAL=${value}`, /INTERVAL/] as const,
    ),
    ...['0', '-3', 'many', '10001'].map((value) => [`FREQ=DAILY;COUNT=${value}`, /COUNT/] as const),
    ...['tomorrow', '20270230', '20271301', '20270401T250000', '00000101', '99991231', ''].map(
      (value) => [`FREQ=DAILY;UNTIL=${value}`, /UNTIL/] as const,
    ),
    ['FREQ=DAILY;COUNT=2;UNTIL=20270401', /together/],
    ['FREQ=WEEKLY;BYDAY=XX', /BYDAY/],
    ['FREQ=WEEKLY;BYDAY=', /BYDAY/],
    ['FREQ=WEEKLY;BYDAY=1SA', /BYDAY/],
    ['FREQ=YEARLY;BYWEEKNO=3;BYDAY=1SA', /BYDAY/],
    ['FREQ=MONTHLY;BYDAY=0SA', /BYDAY/],
    ['FREQ=YEARLY;BYDAY=54SA', /BYDAY/],
    ['FREQ=MONTHLY;BYMONTHDAY=0', /BYMONTHDAY/],
    ['FREQ=MONTHLY;BYMONTHDAY=32', /BYMONTHDAY/],
    ['FREQ=WEEKLY;BYMONTHDAY=3', /BYMONTHDAY/],
    ['FREQ=YEARLY;BYMONTH=13', /BYMONTH/],
    ['FREQ=YEARLY;BYMONTH=-1', /BYMONTH/],
    ['FREQ=YEARLY;BYYEARDAY=367', /BYYEARDAY/],
    ['FREQ=MONTHLY;BYYEARDAY=3', /BYYEARDAY/],
    ['FREQ=YEARLY;BYWEEKNO=54', /BYWEEKNO/],
    ['FREQ=MONTHLY;BYWEEKNO=4', /BYWEEKNO/],
    ['FREQ=DAILY;BYHOUR=24', /BYHOUR/],
    ['FREQ=DAILY;BYMINUTE=60', /BYMINUTE/],
    ['FREQ=MONTHLY;BYDAY=MO;BYSETPOS=0', /BYSETPOS/],
    ['FREQ=MONTHLY;BYDAY=MO;BYSETPOS=367', /BYSETPOS/],
    ['FREQ=MONTHLY;BYSETPOS=1', /alone/],
    ['FREQ=WEEKLY;WKST=XX', /WKST/],
    [`FREQ=HOURLY;BYMINUTE=${Array.from({ length: 60 }, (_, i) => i)}`, /times a day/],
    // Never, or not for a very long time.
    ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', /ten years/],
    ['FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', /ten years/],
    ['FREQ=HOURLY;BYMONTH=2;BYMONTHDAY=30', /ten years/],
    ['FREQ=MONTHLY;BYMONTH=4;BYMONTHDAY=31', /ten years/],
    ['FREQ=MONTHLY;BYDAY=MO;BYSETPOS=6', /ten years/],
    ['FREQ=MONTHLY;BYDAY=6MO', /ten years/],
    ['FREQ=HOURLY;INTERVAL=24;BYHOUR=3', /ten years/],
    ['FREQ=YEARLY;BYYEARDAY=366;BYMONTH=1', /ten years/],
    ['FREQ=YEARLY;INTERVAL=11;BYMONTH=2', /ten years/],
  ] as const)('%j', (text, why) => {
    const read = parseRepeatRule(text, START);
    expect(isRepeatFault(read) && `${read.what} / ${read.wanted}`).toMatch(why);
  });
});

describe('a series', () => {
  it.each([
    ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29', '2027-01-01T00:00', '2040-01-01T00:00', 3],
    ['FREQ=MONTHLY;BYMONTHDAY=-1', '2027-03-01T00:00', '2027-06-01T00:00', 3],
    ['FREQ=HOURLY;INTERVAL=5', '2027-03-01T00:00', '2027-03-02T09:00', 5],
    ['freq=weekly;byday=sa', '2027-03-01T00:00', '2027-03-14T00:00', 2],
    ['FREQ=WEEKLY;INTERVAL=2;WKST=SU;BYDAY=SU,MO', '2027-03-01T00:00', '2027-03-31T00:00', 5],
    ['FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=1,-1', '2027-04-01T00:00', '2027-04-30T23:00', 2],
  ])('by %s from %s to %s starts %i times', (rrule, from, to, times) => {
    expect(starts(rrule, from, to)).toHaveLength(times);
  });

  it('counts the first day of the week that it picks from, also before its own start', () => {
    // It begins on a Monday at nine; the first working day of each week is a Monday.
    expect(starts('FREQ=WEEKLY;BYDAY=MO,WE;BYSETPOS=1', '2027-03-01T00:00', '2027-03-16T00:00')).toEqual([
      '2027-03-01T09:00',
      '2027-03-08T09:00',
      '2027-03-15T09:00',
    ]);
  });

  it('is empty where its UNTIL lies before its start', () => {
    expect(starts('FREQ=DAILY;UNTIL=20260101', '2027-03-01T00:00', '2028-03-01T00:00')).toEqual([]);
  });

  it('ends at the end of the calendar, however far it is asked', () => {
    const all = startsBetween(series('FREQ=YEARLY'), START, wall('2199-12-31T23:59'));
    expect(all).toHaveLength(173);
    expect(startsBetween(series('FREQ=YEARLY'), START, Number.MAX_SAFE_INTEGER as WallTime)).toHaveLength(
      173,
    );
  });
});

describe('held to the package for recurrence rules', () => {
  const some = (least: number, most: number, signed = false) =>
    fc
      .uniqueArray(fc.integer({ min: least, max: most }), { minLength: 1, maxLength: 4 })
      .chain((list) =>
        signed
          ? fc
              .array(fc.boolean(), { minLength: 4, maxLength: 4 })
              .map((minus) => list.map((n, i) => (minus[i] ? -n : n)))
          : fc.constant([...list].sort((a, b) => a - b)),
      )
      .map(String);
  const days = (numbered: boolean) =>
    fc
      .uniqueArray(fc.constantFrom('MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'), { minLength: 1, maxLength: 4 })
      .chain((codes) =>
        numbered
          ? fc
              .array(fc.constantFrom('1', '2', '-1', '-2'), { minLength: 4, maxLength: 4 })
              .map((nths) => codes.map((code, i) => nths[i] + code))
          : fc.constant(codes),
      )
      .map(String);
  const maybe = (name: string, value: fc.Arbitrary<string>) =>
    fc.option(value, { nil: null }).map((text) => (text === null ? [] : [`${name}=${text}`]));
  const rule = fc
    .constantFrom('YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY')
    .chain((frequency) => {
      const coarse = frequency === 'YEARLY' || frequency === 'MONTHLY';
      const nothing = fc.constant<string[]>([]);
      return fc.tuple(
        fc.constant([`FREQ=${frequency}`]),
        maybe('INTERVAL', fc.integer({ min: 1, max: 5 }).map(String)),
        maybe('BYMONTH', some(1, 12)),
        frequency === 'WEEKLY' ? nothing : maybe('BYMONTHDAY', some(1, 31, true)),
        frequency === 'YEARLY' || frequency === 'HOURLY' ? maybe('BYYEARDAY', some(1, 366, true)) : nothing,
        maybe('BYDAY', coarse ? fc.boolean().chain(days) : days(false)),
        maybe('BYHOUR', some(0, 23)),
        maybe('BYMINUTE', some(0, 59)),
        maybe('WKST', fc.constantFrom('MO', 'SU', 'WE')),
        fc.constantFrom([], ['COUNT=7'], ['UNTIL=20290615T120000']),
      );
    })
    .map((parts) => parts.flat());
  const from = fc
    .integer({ min: 0, max: 900 })
    .chain((day) =>
      fc.integer({ min: 0, max: 23 }).map((hour) => (START + day * DAY + hour * HOUR) as WallTime),
    );
  // Years are long for the package: every asked stretch is short, and may lie far behind the start.
  const asked = fc.tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 1, max: 400 }));

  const agree = (text: string, begin: WallTime, after: number, length: number) => {
    const read = parseRepeatRule(text, begin);
    fc.pre(!isRepeatFault(read));
    const [first, last] = [begin + after * DAY, begin + (after + length) * DAY];
    const theirs = new RRule({ ...RRule.parseString(text), dtstart: new Date(begin) });
    // The package tells a day that two positions pick twice.
    const between = new Set(theirs.between(new Date(first), new Date(last), true).map(Number));
    expect(startsBetween(read as Recurrence, first as WallTime, last as WallTime)).toEqual([...between]);
  };

  it('starts when it does', () => {
    fc.assert(
      fc.property(rule, from, asked, (parts, begin, [after, length]) =>
        agree(parts.join(';'), begin, after, length),
      ),
      { numRuns: 400 },
    );
  });
  it('counts weeks of the year as it does', () => {
    const weekly = fc.tuple(
      fc.oneof(some(1, 53), fc.constant('-1')),
      fc.constantFrom('MO', 'SU', 'TH'),
      maybe('BYDAY', days(false)),
    );
    fc.assert(
      fc.property(weekly, from, asked, ([weeks, start, byDay], begin, [after, length]) =>
        agree(
          ['FREQ=YEARLY', `BYWEEKNO=${weeks}`, `WKST=${start}`, ...byDay].join(';'),
          begin,
          after,
          length,
        ),
      ),
    );
  });
  it('picks positions of months and years as it does', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('YEARLY', 'MONTHLY'),
        days(false),
        some(1, 4, true),
        from,
        asked,
        (frequency, byDay, positions, begin, [after, length]) =>
          agree(`FREQ=${frequency};BYDAY=${byDay};BYSETPOS=${positions}`, begin, after, length),
      ),
    );
  });
});
