import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { currencyOf, describeRatio, formatAmount, minorUnits, parseAmount, ratio } from './index.ts';

const EUR = currencyOf('EUR')!;
const JPY = currencyOf('JPY')!;
const KWD = currencyOf('KWD')!;

describe('an amount', () => {
  it.each([
    [EUR, '8.49', 849],
    [EUR, '8.4', 840],
    [EUR, '8', 800],
    [EUR, '0.00', 0],
    [EUR, '007.10', 710],
    [JPY, '249', 249],
    [KWD, '1.005', 1005],
    [KWD, '1.5', 1500],
    [EUR, '10000000000.00', 1_000_000_000_000],
  ])('in %j written %s is %i minor units', (currency, text, wanted) => {
    expect(parseAmount(text, currency)).toBe(wanted);
  });

  it.each([
    [EUR, '8.495'],
    [JPY, '249.0'],
    [KWD, '1.0005'],
    [EUR, '-1.00'],
    [EUR, '+1.00'],
    [EUR, '1,00'],
    [EUR, '1 000.00'],
    [EUR, '1.'],
    [EUR, '.50'],
    [EUR, '1e3'],
    [EUR, ''],
    [EUR, ' 1.00'],
    [EUR, '10000000000.01'],
    [EUR, '٣.٠٠'],
  ])('in %j is not "%s"', (currency, text) => {
    expect(parseAmount(text, currency)).toBeNull();
  });

  it('comes back from its own writing, in every currency', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(EUR, JPY, KWD),
        fc.integer({ min: 0, max: 1_000_000_000_000 }),
        (currency, amount) => {
          const text = formatAmount(minorUnits(amount), currency);
          expect(parseAmount(text, currency)).toBe(amount);
          expect(text.split('.')[1]?.length ?? 0).toBe(currency.exponent);
        },
      ),
    );
  });

  it('below zero is written with a sign', () => {
    expect(formatAmount(minorUnits(-5), EUR)).toBe('-0.05');
  });
});

describe('a currency', () => {
  it.each([
    ['EUR', 2],
    ['JPY', 0],
    ['KWD', 3],
    ['CLF', 4],
    ['XYZ', 2],
  ])('%s has %i decimals', (code, exponent) => {
    expect(currencyOf(code)).toEqual({ code, exponent });
  });
  it.each(['eur', 'EURO', 'EU', '', 'E1R'])('is not "%s"', (code) => {
    expect(currencyOf(code)).toBeNull();
  });
});

describe('an exact result, written out', () => {
  it.each([
    [21165n, 10, 2, '21.165'],
    [2490n, 1, 2, '24.90'],
    [249n, 3, 2, '0.83'],
    [1n, 3, 2, '0.00333333…'],
    [249n, 2, 0, '124.5'],
    [2n, 3, 0, '0.666666…'],
    [0n, 1, 2, '0.00'],
  ])('%s/%s with %s decimals is %s', (num, den, exponent, wanted) => {
    expect(describeRatio(ratio(num, den), exponent)).toBe(wanted);
  });
});
