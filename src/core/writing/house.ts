import type { Writing, WritingField } from './writing.ts';

const field = (name: WritingField) => ({ field: name });
const HOURS = Array.from({ length: 24 }, (_, hour) => String(hour));
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const NEAR = [field('weekday'), ' ', field('day'), ' ', field('month')];
const DATE = [...NEAR, ' ', field('year')];
const CLOCK = [field('hour'), ':', field('minute')];

/** How the house writes, where no language asks for another way: "Thu 3 Dec 2026, 9:00", "1,234.50", "12.5 %". */
export const HOUSE_WRITING: Writing = {
  language: 'en',
  date: DATE,
  nearDate: NEAR,
  monthDay: [field('day'), ' ', field('month')],
  moment: [...DATE, ', ', ...CLOCK],
  nearMoment: [...NEAR, ', ', ...CLOCK],
  clock: CLOCK,
  months: MONTHS,
  nearMonths: MONTHS,
  monthNames: MONTHS,
  weekdays: { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' },
  hours: HOURS,
  halves: HOURS.map(() => ''),
  twoDigitDays: false,
  decimal: '.',
  group: ',',
  groups: [3, 3],
  groupedFrom: 4,
  percent: ['', ' %'],
};
