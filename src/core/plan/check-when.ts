import {
  isRepeatFault,
  parseLocalDate,
  parseRepeatRule,
  parseSpanLength,
  parseTimeOfDay,
  parseWallTime,
} from '../calendar/index.ts';
import type { Fault } from '../checking/index.ts';
import type { WhenDocument, WindowDocument } from './document.ts';

type Report = (path: Fault['path'], what: string, wanted: string) => void;
const A_TIME = 'a wall time such as 2027-03-01T09:00, between 1900 and 2199';

/** Times that exist, ends after starts, windows with a length, a rule that can be read. */
export function checkWhen(when: WhenDocument, path: Fault['path'], report: Report): void {
  const from = parseWallTime(when.from);
  const to = when.to === undefined ? null : parseWallTime(when.to);
  if (from === null) report([...path, 'from'], `"${when.from}" is no wall time`, A_TIME);
  if (when.to !== undefined && to === null) report([...path, 'to'], `"${when.to}" is no wall time`, A_TIME);
  if (from !== null && to !== null && to <= from) {
    report(
      [...path, 'to'],
      `the end ${when.to} is not after the start ${when.from}`,
      'an end after the start, or none',
    );
  }
  (when.windows ?? []).forEach((window, i) => {
    checkWindow(window, [...path, 'windows', i], report);
  });
  (when.except ?? []).forEach((date, i) => {
    if (parseLocalDate(date) === null)
      report([...path, 'except', i], `"${date}" is no day of the calendar`, 'a date such as 2027-03-01');
  });
  if (!when.repeat) return;
  if (parseSpanLength(when.repeat.duration) === null) {
    report(
      [...path, 'repeat', 'duration'],
      `"${when.repeat.duration}" is no length of time`,
      'weeks, days, hours or minutes such as P2D or PT6H, above zero, up to 366 days',
    );
  }
  const rule = from === null ? null : parseRepeatRule(when.repeat.rrule, from);
  if (rule && isRepeatFault(rule)) report([...path, 'repeat', 'rrule'], rule.what, rule.wanted);
}

/** A time of day before another, on weekdays that exist. */
export function checkWindow(window: WindowDocument, path: Fault['path'], report: Report): void {
  const from = parseTimeOfDay(window.from);
  const to = parseTimeOfDay(window.to, true);
  if (from === null) report([...path, 'from'], `"${window.from}" is no time of day`, 'a time such as 16:00');
  if (to === null) report([...path, 'to'], `"${window.to}" is no time of day`, 'a time such as 18:00');
  if (from !== null && from === to)
    report([...path, 'to'], 'the window ends when it starts', 'another end; 24:00 for the end of the day');
  if (window.days?.length === 0)
    report([...path, 'days'], 'no weekday', 'at least one weekday, or no `days` for all of them');
}
