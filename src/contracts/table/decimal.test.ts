import { describe, expect, it } from 'vitest';
import { currencyOf } from '../../core/money/index.ts';
import { readAmountText, readDateText, readDecimal } from './decimal.ts';

describe('a decimal as people and files write it', () => {
  it.each([
    ['12', '12'],
    ['12.50', '12.50'],
    ['12,50', '12.50'],
    [' 1.234,50 ', '1234.50'],
    ['1,234.50', '1234.50'],
    ["1'234.50", '1234.50'],
    ['1 234,5', '1234.5'],
    ['1.234.567', '1234567'],
    ['€ 3,20', '3.20'],
    ['3.20 EUR', '3.20'],
    ['1,234', '1.234'],
  ])('%j is %s', (text, decimal) => {
    expect(readDecimal(text)).toBe(decimal);
  });

  it.each(['', 'abc', '-3', '1.2.3', '1,2,34', '12.', '1.234,5,6', '1.23.456,00'])('%j is none', (text) => {
    expect(readDecimal(text)).toBeNull();
  });
});

describe('an amount of a currency', () => {
  it.each([
    ['EUR', '7,5', '7.50'],
    ['EUR', '007.50', '7.50'],
    ['EUR', '0', '0.00'],
    ['EUR', '3.200', '3.20'],
    ['JPY', '1250', '1250'],
    ['KWD', '0,125', '0.125'],
  ])('in %s %s is %s', (code, text, amount) => {
    expect(readAmountText(text, currencyOf(code)!)).toEqual({ ok: true, amount });
  });

  it.each([
    ['EUR', '1.234', '"1.234" has 3 decimals', 'at most 2 decimals: EUR has no more'],
    ['JPY', '12.5', '"12.5" has 1 decimals', 'an amount without decimals: JPY has none'],
    ['EUR', 'free', '"free" is no amount', 'an amount such as 12.50'],
  ])('in %s %s is refused: %s', (code, text, what, wanted) => {
    expect(readAmountText(text, currencyOf(code)!)).toEqual({ ok: false, what, wanted });
  });
});

it.each([
  ['2027-03-01', '2027-03-01'],
  ['2027-3-1', '2027-03-01'],
  ['1.3.2027', '2027-03-01'],
  ['31/12/2027', '2027-12-31'],
  ['2027-03-01T00:00:00.000Z', '2027-03-01'],
  ['March 2027', null],
  ['1.3.27', null],
])('the day %j is %s', (text, date) => {
  expect(readDateText(text)).toBe(date);
});
