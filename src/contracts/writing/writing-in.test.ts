import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  clockWords,
  countWords,
  dateWords,
  decimalWords,
  momentWords,
  monthDayWords,
  nearDateWords,
  nearMomentWords,
  percentWords,
} from '../../core/writing/index.ts';
import { readerLanguage, writingIn } from './index.ts';

const LANGUAGES = [
  'en-GB en-US en-CA en-IN de de-AT de-CH fr fr-CH pt pt-BR es es-MX it nl sv nb da fi pl cs hu tr el uk bg ro',
  'hi ja zh-CN zh-TW ko ar-EG fa th he vi',
]
  .join(' ')
  .split(' ');

const moment = fc
  .date({ min: new Date('2000-01-01T00:00Z'), max: new Date('2099-12-31T00:00Z'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 16));

describe.each(LANGUAGES)('what is written in %s', (language) => {
  const writing = writingIn(language);
  const settled = `${language}-u-ca-gregory-nu-latn`;
  const says = (text: string, as: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(settled, { ...as, timeZone: 'UTC' }).format(new Date(`${text}Z`));
  const near = { weekday: 'short', day: 'numeric', month: 'short' } as const;
  const whole = { ...near, year: 'numeric' } as const;
  const clock = { hour: 'numeric', minute: '2-digit' } as const;

  it('is what the language itself says of dates and times of day', () => {
    fc.assert(
      fc.property(moment, (text) => {
        const [date = '', time = ''] = text.split('T');
        expect(dateWords(date, writing)).toBe(says(text, whole));
        expect(nearDateWords(date, writing)).toBe(says(text, near));
        expect(monthDayWords(date, writing)).toBe(says(text, { day: 'numeric', month: 'short' }));
        expect(momentWords(text, writing)).toBe(says(text, { ...whole, ...clock }));
        expect(nearMomentWords(text, writing)).toBe(says(text, { ...near, ...clock }));
        expect(clockWords(time, writing)).toBe(says(text, clock));
      }),
      { numRuns: 60 },
    );
  });

  it('is what the language itself says of numbers', () => {
    const two = new Intl.NumberFormat(settled, { minimumFractionDigits: 2, maximumFractionDigits: 2 });
    const percent = new Intl.NumberFormat(settled, { style: 'percent', maximumFractionDigits: 2 });
    fc.assert(
      fc.property(fc.nat(999_999_999), (cents) => {
        expect(decimalWords((cents / 100).toFixed(2), writing)).toBe(two.format(cents / 100));
        expect(countWords(cents, writing)).toBe(new Intl.NumberFormat(settled).format(cents));
        expect(percentWords(cents % 100_000, writing)).toBe(percent.format((cents % 100_000) / 10_000));
      }),
      { numRuns: 60 },
    );
  });
});

describe('how the house writes', () => {
  const house = writingIn('en');
  it.each([
    [dateWords('2026-12-03', house), 'Thu 3 Dec 2026'],
    [nearMomentWords('2026-12-03T09:00', house), 'Thu 3 Dec, 9:00'],
    [decimalWords('1234.50', house), '1,234.50'],
    [decimalWords('-0.5', house), '-0.5'],
    [percentWords(1250, house), '12.5 %'],
    [percentWords(1200, house, 1), '12.0 %'],
    [clockWords('24:00', house), '24:00'],
  ])('%s', (said, wanted) => {
    expect(said).toBe(wanted);
  });
  it('leaves alone what is no date and no number', () => {
    expect(dateWords('soon', house)).toBe('soon');
    expect(momentWords('soonTlater', house)).toBe('soonTlater');
    expect(decimalWords('a lot', house)).toBe('a lot');
  });
});

describe('the language of a reader', () => {
  it.each([
    ['de-DE,de;q=0.9,en;q=0.8', 'de-DE'],
    ['en;q=0.5, sv;q=0.9', 'sv'],
    ['xx-YY, fr-CH', 'fr-CH'],
    ['*', 'en'],
    ['de-u-nu-arab', 'en'],
    ['', 'en'],
    [null, 'en'],
    ['fr;q=0, pl', 'pl'],
    ['EN-us', 'en-US'],
    ['de-AQ', 'de'],
    ['de-Latn-AA, fr', 'de'],
    ['../../etc, <script>', 'en'],
  ])('of "%s" is %s', (header, language) => {
    expect(readerLanguage(header)).toBe(language);
  });

  it('is one of few, however many are asked for', () => {
    const letters = 'abcdefghijklmnopqrstuvwxyz'.split('');
    const countries = letters.flatMap((a) => letters.map((b) => a + b));
    expect(new Set(countries.map((country) => readerLanguage(`pt-${country}`))).size).toBeLessThan(20);
  });
});
