import type { Weekday } from './wall-time.ts';

/** Hours of the day on some weekdays. An end at or before the start lies on the following day. */
export interface DayWindow {
  /** Absent: every day. It is the day on which the window starts that counts. */
  readonly days: readonly Weekday[] | null;
  /** Minutes after midnight. */
  readonly from: number;
  /** Minutes after midnight, 1440 for the end of the day. */
  readonly to: number;
}
