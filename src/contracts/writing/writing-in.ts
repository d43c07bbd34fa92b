import { WEEKDAYS } from '../../core/calendar/index.ts';
import {
  HOUSE_WRITING,
  type Writing,
  type WritingField,
  type WritingPattern,
} from '../../core/writing/index.ts';

const DATE = { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' } as const;
const NEAR = { weekday: 'short', day: 'numeric', month: 'short' } as const;
const MONTH_DAY = { day: 'numeric', month: 'short' } as const;
const CLOCK = { hour: 'numeric', minute: '2-digit' } as const;
const FIELDS: Readonly<Record<string, WritingField>> = {
  weekday: 'weekday',
  day: 'day',
  month: 'month',
  year: 'year',
  hour: 'hour',
  minute: 'minute',
  dayPeriod: 'half',
};
/** 5 January 2026 was a Monday; 9:05 shows whether hours have one digit or two. */
const at = (month: number, day: number, hour: number): Date => new Date(Date.UTC(2026, month, day, hour, 5));

/** To ask for a language takes some milliseconds; `readerLanguage` knows some hundred. */
const kept = new Map<string, Writing>([[HOUSE_WRITING.language, HOUSE_WRITING]]);

/**
 * How ECMA-402 writes in a language; "en" without a country is the way of the house.
 * @param language BCP 47 tag that `readerLanguage` gave
 */
export function writingIn(language: string): Writing {
  const known = kept.get(language) ?? asked(language);
  kept.set(language, known);
  return known;
}

/** How somebody reads. */
export const writingOf = ({ language }: { language?: string }): Writing =>
  writingIn(language ?? HOUSE_WRITING.language);

function asked(language: string): Writing {
  const patternOf = (as: Intl.DateTimeFormatOptions) => parts(language, as, at(0, 5, 9)).map(partOf);
  const monthsIn = (as: Intl.DateTimeFormatOptions) =>
    Array.from({ length: 12 }, (_, month) => valueIn('month', parts(language, as, at(month, 15, 9))));
  const hours = Array.from({ length: 24 }, (_, hour) => parts(language, CLOCK, at(0, 5, hour)));
  return {
    language,
    date: patternOf(DATE),
    nearDate: patternOf(NEAR),
    monthDay: patternOf(MONTH_DAY),
    moment: patternOf({ ...DATE, ...CLOCK }),
    nearMoment: patternOf({ ...NEAR, ...CLOCK }),
    clock: patternOf(CLOCK),
    months: monthsIn(DATE),
    nearMonths: monthsIn(NEAR),
    monthNames: monthsIn({ month: 'short' }),
    weekdays: Object.fromEntries(
      WEEKDAYS.map((day, i) => [day, valueIn('weekday', parts(language, DATE, at(0, 5 + i, 9)))]),
    ) as Writing['weekdays'],
    hours: hours.map((hour) => valueIn('hour', hour)),
    halves: hours.map((hour) => valueIn('dayPeriod', hour)),
    twoDigitDays: valueIn('day', parts(language, DATE, at(0, 5, 9))).length === 2,
    ...numbersIn(language),
  };
}

/** The digits of typed amounts and the calendar of the plan, whatever else the language has. */
const settled = (language: string): string => `${language}-u-ca-gregory-nu-latn`;

const parts = (
  language: string,
  as: Intl.DateTimeFormatOptions,
  date: Date,
): readonly Intl.DateTimeFormatPart[] =>
  new Intl.DateTimeFormat(settled(language), { ...as, timeZone: 'UTC' }).formatToParts(date);

const valueIn = (type: string, of: readonly { type: string; value: string }[]): string =>
  of.find((part) => part.type === type)?.value ?? '';

const partOf = ({ type, value }: Intl.DateTimeFormatPart): WritingPattern[number] => {
  const field = FIELDS[type];
  // As `format` itself does: a narrow no-break space in dates has broken too many readers of them.
  return field ? { field } : value.replaceAll('\u202f', ' ');
};

function numbersIn(
  language: string,
): Pick<Writing, 'decimal' | 'group' | 'groups' | 'groupedFrom' | 'percent'> {
  const number = new Intl.NumberFormat(settled(language), { minimumFractionDigits: 1 });
  const large = number.formatToParts(123_456_789.5);
  const sizes = large.filter(({ type }) => type === 'integer').map(({ value }) => value.length);
  const smallest = [4, 5, 6].find((digits) =>
    number.formatToParts(10 ** (digits - 1)).some(({ type }) => type === 'group'),
  );
  const percent = new Intl.NumberFormat(settled(language), { style: 'percent' }).format(0.07);
  const [before = '', after = ''] = percent.split('7');
  return {
    decimal: valueIn('decimal', large),
    group: valueIn('group', large),
    groups: [sizes.at(-1) ?? 3, sizes.at(-2) ?? 3],
    groupedFrom: smallest ?? 7,
    percent: [before, after],
  };
}
