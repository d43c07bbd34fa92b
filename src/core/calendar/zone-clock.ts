import { Temporal } from 'temporal-polyfill';
import {
  DAY,
  formatWallTime,
  type Instant,
  instant,
  MINUTE,
  parseWallTime,
  type WallTime,
  wallTime,
} from './wall-time.ts';

/** Turns a store's wall time into instants and back, by its IANA time zone. */
export interface ZoneClock {
  readonly zone: string;
  /**
   * A wall time that does not exist moves forward by the gap; one that happens twice means its
   * first occurrence (pricing rules 2).
   */
  toInstant(wall: WallTime): Instant;
  toWall(at: Instant): WallTime;
  /** Offset from UTC in milliseconds, east positive. */
  offsetAt(at: Instant): number;
  /** Whether the clock shows this wall time twice. */
  happensTwice(wall: WallTime): boolean;
}

interface Segment {
  readonly start: number;
  readonly offset: number;
}

export function isTimeZone(zone: string): boolean {
  if (/^[+-]/.test(zone)) return false;
  try {
    new Temporal.ZonedDateTime(0n, zone);
    return true;
  } catch {
    return false;
  }
}

/** Keeps the zone's offsets by year, read from the time-zone data once each. */
export function zoneClock(zone: string): ZoneClock {
  const years = new Map<number, readonly Segment[]>();

  function segmentsOf(year: number): readonly Segment[] {
    let segments = years.get(year);
    if (!segments) {
      segments = readYear(zone, year);
      years.set(year, segments);
    }
    return segments;
  }

  // Questions come in runs about one year: the last one is at hand.
  let held = { from: 0, to: 0, segments: [] as readonly Segment[] };

  function offsetAt(at: Instant): number {
    if (at < held.from || at >= held.to) {
      const year = new Date(at).getUTCFullYear();
      held = { from: Date.UTC(year, 0, 1), to: Date.UTC(year + 1, 0, 1), segments: segmentsOf(year) };
    }
    const { segments } = held;
    let i = segments.length - 1;
    while (i > 0 && segments[i]!.start > at) i--;
    return segments[i]!.offset;
  }

  function readings(wall: WallTime): { before: number; valid: number[] } {
    const before = offsetAt(instant(wall - DAY));
    const after = offsetAt(instant(wall + DAY));
    const offsets = before === after ? [before] : [before, after];
    const valid = offsets.filter((offset) => offsetAt(instant(wall - offset)) === offset);
    return { before, valid };
  }

  return {
    zone,
    offsetAt,
    toWall: (at) => wallTime(at + offsetAt(at)),
    toInstant(wall) {
      const offset = offsetAt(instant(wall - DAY));
      // Nearly always: no change of the clock anywhere near.
      if (offsetAt(instant(wall + DAY)) === offset && offsetAt(instant(wall - offset)) === offset)
        return instant(wall - offset);
      const { before, valid } = readings(wall);
      return instant(valid.length === 0 ? wall - before : wall - Math.max(...valid));
    },
    happensTwice: (wall) => readings(wall).valid.length > 1,
  };
}

function readYear(zone: string, year: number): readonly Segment[] {
  const start = Date.UTC(year, 0, 1);
  const end = Date.UTC(year + 1, 0, 1);
  let moment: Temporal.ZonedDateTime | null = new Temporal.ZonedDateTime(BigInt(start) * 1_000_000n, zone);
  const segments: Segment[] = [{ start, offset: moment.offsetNanoseconds / 1e6 }];
  for (;;) {
    moment = moment.getTimeZoneTransition('next');
    if (!moment || moment.epochMilliseconds >= end) return segments;
    segments.push({ start: moment.epochMilliseconds, offset: moment.offsetNanoseconds / 1e6 });
  }
}

/**
 * Reads a question's moment: a wall time at the store, or one with a UTC offset.
 * @returns null where the text is neither.
 */
export function parseMoment(text: string, clock: ZoneClock): Instant | null {
  const match = /^(.+?)(Z|[+-]\d{2}:\d{2})?$/.exec(text);
  const wall = match && parseWallTime(match[1]!);
  if (!match || wall === null) return null;
  const offset = match[2];
  if (!offset) return clock.toInstant(wall!);
  if (offset === 'Z') return instant(wall!);
  const minutes = Number(offset.slice(1, 3)) * 60 + Number(offset.slice(4, 6));
  return instant(wall! - (offset[0] === '-' ? -1 : 1) * minutes * MINUTE);
}

/** Writes an instant as the store's wall time, with the UTC offset in an hour that happens twice. */
export function formatMoment(at: Instant, clock: ZoneClock): string {
  const wall = clock.toWall(at);
  if (!clock.happensTwice(wall)) return formatWallTime(wall);
  const minutes = clock.offsetAt(at) / MINUTE;
  const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
  return `${formatWallTime(wall)}${minutes < 0 ? '-' : '+'}${two(Math.abs(minutes) / 60)}:${two(Math.abs(minutes) % 60)}`;
}
