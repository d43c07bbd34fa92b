import { parseTimeOfDay, WEEKDAYS, type Weekday } from '../../core/calendar/index.ts';
import type { WindowDocument } from '../../core/plan/index.ts';
import type { CellReader } from './cell-reader.ts';

const WANTED = 'weekdays and hours such as mon-sat 8:00-20:00; sun 10:00-16:00';

/** "mon-sat 08:00-20:00; sun 10:00-16:00". */
export const hoursText = (hours: readonly WindowDocument[] | undefined): string =>
  (hours ?? []).map(({ days, from, to }) => `${days ? `${daysText(days)} ` : ''}${from}-${to}`).join('; ');

function daysText(days: readonly Weekday[]): string {
  const numbers = days.map((day) => WEEKDAYS.indexOf(day)).toSorted((a, b) => a - b);
  const runs: number[][] = [];
  for (const day of numbers) {
    const run = runs.at(-1);
    if (run && run.at(-1) === day - 1) run.push(day);
    else runs.push([day]);
  }
  const name = (day: number | undefined) => WEEKDAYS[day!]!;
  return runs
    .map((run) => (run.length > 2 ? `${name(run[0])}-${name(run.at(-1))}` : run.map(name).join(',')))
    .join(',');
}

/** Reads opening hours; a part without weekdays counts on all of them. */
export function hoursOf(cells: CellReader): WindowDocument[] | undefined {
  const parts = (cells.text('hours') ?? '').split(/[;\n]/).map((part) => part.trim());
  const windows = parts.filter(Boolean).map((part) => {
    const window = windowOf(part);
    if (!window) cells.fault('hours', `"${part}" says no hours`, WANTED);
    return window!;
  });
  return windows.length === 0 ? undefined : windows;
}

function windowOf(text: string): WindowDocument | null {
  const match = /^(?:([a-z,\s-]+?)\s+)?(\d{1,2}:\d\d)\s*[-–]\s*(\d{1,2}:\d\d)$/i.exec(text);
  if (!match) return null;
  const [from, to] = [match[2]!.padStart(5, '0'), match[3]!.padStart(5, '0')];
  if (parseTimeOfDay(from) === null || parseTimeOfDay(to, true) === null) return null;
  if (match[1] === undefined) return { from, to };
  const days = daysOf(match[1].toLowerCase());
  return days && { days, from, to };
}

function daysOf(text: string): Weekday[] | null {
  const found = new Set<Weekday>();
  for (const part of text.split(',')) {
    const ends = part.split('-').map((day) => WEEKDAYS.indexOf(day.trim().slice(0, 3) as Weekday));
    if (ends.length > 2 || ends.includes(-1)) return null;
    const [first, last = first] = ends as [number, number?];
    // From Saturday to Tuesday goes over the end of the week.
    for (let day = first; ; day = (day + 1) % WEEKDAYS.length) {
      found.add(WEEKDAYS[day]!);
      if (day === last) break;
    }
  }
  return WEEKDAYS.filter((day) => found.has(day));
}
