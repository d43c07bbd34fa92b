import type { TimelineStep, TimelineView } from '../../contracts/view/index.ts';
import { DAY, dayNumber, formatLocalDate, parseLocalDate, parseWallTime } from '../../core/calendar/index.ts';

type Drawn = Pick<TimelineView, 'from' | 'to'>;

/** Where a moment stands between the first day that is drawn and the last, in percent. */
export function placeOf(moment: string, { from, to }: Drawn): number {
  const [first, end] = [parseLocalDate(from)!, parseLocalDate(to)!];
  const day = parseWallTime(moment.slice(0, 16))! / DAY;
  return (100 * (Math.min(end, Math.max(first, day)) - first)) / (end - first);
}

export function barOf(
  step: Pick<TimelineStep, 'from' | 'to'>,
  drawn: Drawn,
): { left: number; width: number } {
  const left = placeOf(step.from, drawn);
  return { left, width: placeOf(step.to, drawn) - left };
}

/** The first days of the months that are drawn, or of a shorter time the Mondays. */
export function marksOf({ from, to }: Drawn): string[] {
  const [first, end] = [parseLocalDate(from)!, parseLocalDate(to)!];
  const isShort = end - first < 120;
  const marks: string[] = [];
  for (let day = first; day < end; day++) {
    const date = formatLocalDate(dayNumber(day));
    if (isShort ? (day + 3) % 7 === 0 : date.endsWith('-01')) marks.push(date);
  }
  return isShort ? marks.filter((_, i) => i % 2 === 0) : marks;
}
