import { describe, expect, it } from 'vitest';
import { currencyOf, type MinorUnits } from '../../core/money/index.ts';
import { lineKey, type SheetLine, type SheetResult } from '../../core/worksheet/index.ts';
import { differences, sheetOutcome } from '../draft/outcome.ts';
import { columnsFor, priceTyped, worksheetCells } from './cells.ts';
import { differingLines, withFileLines } from './file-lines.ts';
import { placeNames } from './places.ts';

const EUR = currencyOf('EUR')!;
const money = (amount: number) => amount as MinorUnits;
const LINE: SheetLine = {
  sku: 'milk',
  name: 'Sun milk',
  place: 'zone:isles',
  since: null,
  stays: false,
  stores: 6,
  regular: money(2490),
  base: money(2490),
  cost: money(1200),
  now: money(2300),
  nowLow: money(2300),
  lists: {},
  passes: [0],
  reducedBy: [],
};
const RESULT: SheetResult = {
  price: money(2120),
  basis: money(2490),
  origin: 0,
  removed: false,
  trouble: null,
  cost: money(1200),
  margin: 4339,
  change: -1486,
  breakEven: 120,
};

const placeWords = placeNames({
  zones: [{ id: 'isles', name: 'Isles' }],
  stores: [{ id: 'west', name: 'West' }],
} as never);

describe('where a line counts, by name', () => {
  it.each<[Partial<SheetLine>, string]>([
    [{}, 'Isles, 6 stores'],
    [{ place: 'chain', stores: 1 }, 'The chain, 1 store'],
    [{ place: 'store:west', stores: 1 }, 'West'],
    [{ since: '2027-06-01' }, 'Isles, 6 stores, from Tue 1 Jun 2027'],
  ])('%j reads %s', (line, wanted) => {
    expect(placeWords({ ...LINE, ...line })).toBe(wanted);
  });

  it('stands in a column of its own only where some line counts in one place alone', () => {
    const fields = (lines: SheetLine[], regular = false) =>
      columnsFor(lines, regular).map(({ field }) => field);
    expect(fields([{ ...LINE, place: 'chain' }])).not.toContain('place');
    expect(fields([{ ...LINE, place: 'chain' }, LINE])).toContain('place');
    expect(fields([LINE], true)).not.toContain('now');
  });
});

describe('what a sheet comes to', () => {
  const chain: SheetLine = { ...LINE, place: 'chain' };
  const later: SheetLine = { ...LINE, place: 'chain', since: '2027-06-01', regular: money(2600) };
  const priced = (amount: number): SheetResult => ({ ...RESULT, price: money(amount) });
  const stores = [{ id: 'west', zone: 'isles' }];

  it('is a line price for each place, and rows of regular prices where they differ from what stands', () => {
    const outcome = sheetOutcome(
      [chain, LINE, later],
      [priced(2000), priced(2490), priced(2500)],
      stores,
      EUR,
    );
    expect(outcome).toEqual({
      items: ['milk'],
      linePrices: { milk: '20.00' },
      linePricesIn: [{ zone: 'isles', prices: { milk: '24.90' } }],
      rows: [
        { sku: 'milk', place: 'chain', since: null, price: '20.00' },
        { sku: 'milk', place: 'chain', since: '2027-06-01', price: '25.00' },
      ],
    });
    expect(differences(outcome, { linePrices: { milk: '20.00' } })).toBe(1);
    expect(differences(outcome, outcome)).toBe(0);
  });
});

describe('a line of a worksheet in texts', () => {
  it('has money with its decimals, percentages with one, and says where the price comes from', () => {
    expect(worksheetCells(LINE, RESULT, EUR, placeWords)).toEqual({
      sku: 'milk',
      name: 'Sun milk',
      place: 'Isles, 6 stores',
      regular: '24.90',
      basis: '24.90',
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
    [{ price: null, basis: null, origin: null }, { basis: '' }],
  ])('%j reads %j', (result, wanted) => {
    expect(worksheetCells(LINE, { ...RESULT, ...result }, EUR, placeWords)).toMatchObject(wanted);
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

describe('the lines of a file that is brought in again', () => {
  const chain: SheetLine = { ...LINE, place: 'chain' };
  const answer = {
    facts: { lines: [chain, LINE] },
    results: [
      { ...RESULT, price: money(2000) },
      { ...RESULT, price: money(2100) },
    ],
  };
  const at = (place: SheetLine['place'] | null, price: string) => ({ sku: 'milk', place, price });

  it('are told where they say another price than stands, and only those', () => {
    const told = (...lines: ReturnType<typeof at>[]) =>
      differingLines(lines, answer, EUR).map(({ words }) => words);
    expect(told(at('chain', '20.00'), at('zone:isles', '21.00'))).toEqual([]);
    expect(told(at('zone:isles', '19.00'))).toEqual(['Sun milk (milk): 21.00 → 19.00']);
    expect(told(at(null, '20.00'))).toEqual(['Sun milk (milk): 20.00 / 21.00 → 20.00']);
    expect(told({ sku: 'oil', place: null, price: '1.00' })).toEqual(['oil (oil): no price → 1.00']);
  });

  it('stand by hand in their place, or wherever the item is sold', () => {
    const key = lineKey({ sku: 'milk', place: 'zone:isles', since: null });
    expect(withFileLines({ oil: '1.00' }, [at('zone:isles', '19.00')], [chain, LINE])).toEqual({
      oil: '1.00',
      [key]: '19.00',
    });
    expect(withFileLines({}, [at(null, '19.00')], [chain, LINE])).toEqual({ milk: '19.00' });
    expect(withFileLines({}, [at('zone:isles', '19.00')], [LINE])).toEqual({ milk: '19.00' });
  });
});
