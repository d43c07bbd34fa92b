/** Milliseconds since 1970-01-01T00:00 as a clock on the wall shows them: no zone, no offset. */
export type WallTime = number & { readonly __unit: 'wall-ms' };
/** Milliseconds since the epoch, UTC. */
export type Instant = number & { readonly __unit: 'instant-ms' };
/** Days since 1970-01-01 in the proleptic Gregorian calendar. */
export type DayNumber = number & { readonly __unit: 'day' };

export const MINUTE = 60_000;
export const HOUR = 60 * MINUTE;
export const DAY = 24 * HOUR;

export const wallTime = (ms: number): WallTime => ms as WallTime;
export const instant = (ms: number): Instant => ms as Instant;
export const dayNumber = (day: number): DayNumber => day as DayNumber;

const DATE = /^(\d{4})-(\d{2})-(\d{2})$/;
const DATE_TIME = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):([0-5]\d)(?::([0-5]\d))?$/;
const TIME_OF_DAY = /^([01]\d|2[0-3]):([0-5]\d)$/;

/** No plan looks further back or ahead: what is reckoned day by day ends. */
export const FIRST_YEAR = 1900;
export const LAST_YEAR = 2199;

/** Reads "2027-03-01"; null where that is no day of the calendar between 1900 and 2199. */
export function parseLocalDate(text: string): DayNumber | null {
  const match = DATE.exec(text);
  if (!match || Number(match[1]) < FIRST_YEAR || Number(match[1]) > LAST_YEAR) return null;
  const ms = Date.UTC(Number(match[1]), Number(match[2]) - 1, Number(match[3]));
  return new Date(ms).toISOString().slice(0, 10) === text ? dayNumber(ms / DAY) : null;
}

export const formatLocalDate = (day: DayNumber): string => new Date(day * DAY).toISOString().slice(0, 10);

/** Reads "2027-03-01T09:00", seconds allowed; null where it is no wall time. */
export function parseWallTime(text: string): WallTime | null {
  const match = DATE_TIME.exec(text);
  const day = match && parseLocalDate(match[1]!);
  if (!match || day === null) return null;
  return wallTime(
    day! * DAY + Number(match[2]) * HOUR + Number(match[3]) * MINUTE + Number(match[4] ?? 0) * 1000,
  );
}

/** Writes "2027-03-01T09:00"; seconds only where there are any. */
export function formatWallTime(wall: WallTime): string {
  const text = new Date(wall).toISOString();
  return wall % MINUTE === 0 ? text.slice(0, 16) : text.slice(0, 19);
}

/** Minutes after midnight of "16:00"; "24:00" is allowed where `endOfDay`. Null where it is no time of day. */
export function parseTimeOfDay(text: string, endOfDay = false): number | null {
  if (endOfDay && text === '24:00') return 24 * 60;
  const match = TIME_OF_DAY.exec(text);
  return match ? Number(match[1]) * 60 + Number(match[2]) : null;
}

export const dayOf = (wall: WallTime): DayNumber => dayNumber(Math.floor(wall / DAY));
export const midnight = (day: DayNumber): WallTime => wallTime(day * DAY);

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];
/** 1970-01-01 was a Thursday. */
export const weekdayOf = (day: DayNumber): Weekday => WEEKDAYS[(((day + 3) % 7) + 7) % 7]!;
