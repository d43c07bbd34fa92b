import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wallTimes, whens } from '../../../tests/plans/generated.ts';
import { readSchedule, type WhenDocument } from '../plan/index.ts';
import {
  dayOf,
  HOUR,
  type Instant,
  MINUTE,
  parseLocalDate,
  parseMoment,
  parseWallTime,
  type Span,
  spansWithin,
  weekdayOf,
  zoneClock,
} from './index.ts';

/** Both hemispheres change clocks within the generated spring: Madrid on 28 March, Sydney on 4 April. */
const zones = fc.constantFrom('Europe/Madrid', 'Europe/Lisbon', 'Australia/Sydney', 'Pacific/Chatham', 'UTC');
const asked = (zone: string, a: string, b: string): Span => {
  const clock = zoneClock(zone);
  const [from, to] = [parseMoment(a, clock)!, parseMoment(b, clock)!].sort((x, y) => x - y) as [
    Instant,
    Instant,
  ];
  return { from, to: (to + HOUR) as Instant };
};

describe('the spans of any schedule, in any zone', () => {
  it('are sorted, half-open, apart, and within what was asked', () => {
    fc.assert(
      fc.property(whens, zones, wallTimes, wallTimes, (when, zone, a, b) => {
        const span = asked(zone, a, b);
        const spans = spansWithin(readSchedule(when), zoneClock(zone), span);
        spans.forEach(({ from, to }, i) => {
          expect(from).toBeLessThan(to);
          expect(from).toBeGreaterThanOrEqual(span.from);
          expect(to).toBeLessThanOrEqual(span.to);
          if (i > 0) expect(from).toBeGreaterThan(spans[i - 1]!.to);
        });
      }),
      { numRuns: 400 },
    );
  });

  it('are the same whether asked at once or in two halves', () => {
    fc.assert(
      fc.property(whens, zones, wallTimes, wallTimes, wallTimes, (when, zone, a, b, cut) => {
        const clock = zoneClock(zone);
        const schedule = readSchedule(when);
        const whole = asked(zone, a, b);
        const middle = Math.min(Math.max(parseMoment(cut, clock)!, whole.from), whole.to) as Instant;
        const length = (spans: Span[]) => spans.reduce((sum, { from, to }) => sum + (to - from), 0);
        const atOnce = spansWithin(schedule, clock, whole);
        const halves = [
          ...spansWithin(schedule, clock, { from: whole.from, to: middle }),
          ...spansWithin(schedule, clock, { from: middle, to: whole.to }),
        ];
        expect(length(halves)).toBe(length(atOnce));
        for (const { from, to } of halves)
          expect(atOnce.some((span) => span.from <= from && to <= span.to)).toBe(true);
      }),
      { numRuns: 400 },
    );
  });

  it('hold exactly the minutes that the plain rule holds, where no clock changes', () => {
    const plain = whens.filter(({ repeat }) => !repeat);
    fc.assert(
      fc.property(plain, wallTimes, fc.integer({ min: 0, max: 3000 }), (when, start, minutes) => {
        const at = (parseWallTime(start)! + minutes * MINUTE) as Instant;
        const spans = spansWithin(readSchedule(when), zoneClock('UTC'), {
          from: at,
          to: (at + 1) as Instant,
        });
        expect(spans.length > 0).toBe(holdsAt(when, at));
      }),
      { numRuns: 2000 },
    );
  });
});

/** The rule of the section, said again in the plainest way: one minute, no zone, no series. */
function holdsAt(when: WhenDocument, at: number): boolean {
  if (at < parseWallTime(when.from)!) return false;
  if (when.to !== undefined && at >= parseWallTime(when.to)!) return false;
  const left = new Set((when.except ?? []).map((date) => parseLocalDate(date)!));
  const day = dayOf(at as never);
  if (!when.windows) return !left.has(day);
  const minute = (at - day * 24 * HOUR) / MINUTE;
  const of = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
  return when.windows.some(({ days, from, to }) => {
    const begins = (offset: number) =>
      !left.has((day + offset) as never) && (!days || days.includes(weekdayOf((day + offset) as never)));
    if (of(to) > of(from)) return begins(0) && minute >= of(from) && minute < of(to);
    return (begins(0) && minute >= of(from)) || (begins(-1) && minute < of(to));
  });
}

describe('a store’s clock', () => {
  it('turns instants into wall times and back, save the second of two equal hours', () => {
    fc.assert(
      fc.property(zones, wallTimes, (zone, text) => {
        const clock = zoneClock(zone);
        const at = parseMoment(text, clock)!;
        const wall = clock.toWall(at);
        expect(clock.toInstant(wall)).toBe(at);
        // Only a wall time in the gap moves, and it moves forward.
        if (wall !== parseWallTime(text)) expect(wall).toBeGreaterThan(parseWallTime(text)!);
      }),
    );
  });
});
