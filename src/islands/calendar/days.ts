import type { CalendarBar } from '../../contracts/view/index.ts';
import { DAY, dayNumber, formatLocalDate, parseLocalDate, parseWallTime } from '../../core/calendar/index.ts';

/** The days that are drawn. */
export interface Days {
  /** Day number of the first, a Monday. */
  readonly first: number;
  readonly count: number;
}

/** Some weeks from the Monday before a moment on. */
export function daysFrom(at: string, weeks: number, weeksBefore = 1): Days {
  const day = parseLocalDate(at.slice(0, 10))!;
  const monday = day - ((day + 3) % 7);
  return { first: monday - 7 * weeksBefore, count: weeks * 7 };
}

export const dateOf = (days: Days, index: number): string => formatLocalDate(dayNumber(days.first + index));

/** Where a wall time stands, in days from the first; fractions are hours. */
export const placeOf = (moment: string, days: Days): number =>
  parseWallTime(moment.slice(0, 16))! / DAY - days.first;

export interface Placed {
  readonly bar: CalendarBar;
  /** In days from the first, cut to what is drawn. */
  readonly left: number;
  readonly right: number;
  /** The line within the lane. */
  readonly track: number;
}

/** Lays bars out on as few lines as they need, by their starts; bars outside the days are left out. */
export function laidOut(bars: readonly CalendarBar[], days: Days): { placed: Placed[]; tracks: number } {
  const ends: number[] = [];
  const placed = bars
    .map((bar) => ({
      bar,
      left: Math.max(0, placeOf(bar.from, days)),
      right: Math.min(days.count, bar.to === null ? days.count : placeOf(bar.to, days)),
    }))
    .filter(({ left, right }) => right > 0 && left < days.count && right > left)
    .sort((a, b) => a.left - b.left || b.right - a.right || (a.bar.id < b.bar.id ? -1 : 1))
    .map((one): Placed => {
      const free = ends.findIndex((end) => end <= one.left);
      const track = free < 0 ? ends.length : free;
      ends[track] = one.right;
      return { ...one, track };
    });
  return { placed, tracks: ends.length };
}

/** How many promotions count on each day: where it crowds, and where there is nothing. */
export function crowding(bars: readonly CalendarBar[], days: Days): number[] {
  const counts = Array.from({ length: days.count }, () => 0);
  for (const bar of bars) {
    if (bar.status === 'paused') continue;
    const from = Math.max(0, Math.floor(placeOf(bar.from, days)));
    const to = bar.to === null ? days.count : Math.min(days.count, Math.ceil(placeOf(bar.to, days)));
    for (let day = from; day < to; day++) counts[day]!++;
  }
  return counts;
}
