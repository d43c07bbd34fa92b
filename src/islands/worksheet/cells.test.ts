import { describe, expect, it } from 'vitest';
import { currencyOf, type MinorUnits } from '../../core/money/index.ts';
import type { SheetLine, SheetResult } from '../../core/worksheet/index.ts';
import { priceTyped, worksheetCells } from './cells.ts';

const EUR = currencyOf('EUR')!;
const money = (amount: number) => amount as MinorUnits;
const LINE: SheetLine = {
  sku: 'milk',
  name: 'Sun milk',
  regular: money(2490),
  base: money(2490),
  cost: money(1200),
  now: money(2300),
  lists: {},
  passes: [0],
  reducedBy: [],
};
const RESULT: SheetResult = {
  price: money(2120),
  origin: 0,
  removed: false,
  trouble: null,
  cost: money(1200),
  margin: 4339,
  change: -1486,
  breakEven: 120,
};

describe('a line of a worksheet in texts', () => {
  it('has money with its decimals, percentages with one, and says where the price comes from', () => {
    expect(worksheetCells(LINE, RESULT, EUR)).toEqual({
      sku: 'milk',
      name: 'Sun milk',
      regular: '24.90',
      now: '23.00',
      price: '21.20',
      change: '-14.9 %',
      cost: '12.00',
      margin: '43.4 %',
      breakEven: '× 1.20',
      origin: 'pass 1',
    });
  });

  it.each<[Partial<SheetResult>, object]>([
    [{ change: 250 }, { change: '+2.5 %' }],
    [{ breakEven: null }, { breakEven: 'never' }],
    [
      { cost: null, margin: null, breakEven: null },
      { cost: '', margin: '', breakEven: '' },
    ],
    [{ origin: 'own' }, { origin: 'by hand' }],
    [
      { price: null, origin: null, trouble: 'no-cost' },
      { price: '', breakEven: '', origin: 'has no cost' },
    ],
    [{ price: null, origin: null, trouble: 'no-list-price' }, { origin: 'not in the list' }],
    [{ price: null, origin: null }, { origin: '' }],
  ])('%j reads %j', (result, wanted) => {
    expect(worksheetCells(LINE, { ...RESULT, ...result }, EUR)).toMatchObject(wanted);
  });
});

it.each([
  ['', { kind: 'nothing' }],
  ['  ', { kind: 'nothing' }],
  ['4,5', { kind: 'price', price: '4.50' }],
  ['1.005', { kind: 'wrong', words: '"1.005" has 3 decimals; wanted: at most 2 decimals: EUR has no more' }],
  ['cheap', { kind: 'wrong', words: '"cheap" is no amount; wanted: an amount such as 12.50' }],
])('%j typed as a new price is %j', (text, wanted) => {
  expect(priceTyped(text, EUR)).toEqual(wanted);
});
