import { readAmountText } from '../../contracts/table/index.ts';
import { type Currency, formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { SheetLine, SheetResult } from '../../core/worksheet/index.ts';
import { asTyped, saidAmount, saidPercent, saidTimes } from '../../ui/writing/index.ts';
import type { SheetColumn } from '../sheet/index.ts';

const figure = (field: string, title: string, width = 6): SheetColumn => ({
  field,
  title,
  width,
  figure: true,
  editable: false,
  sortable: true,
});

export const WORKSHEET_COLUMNS: readonly SheetColumn[] = [
  { field: 'sku', title: 'Item number', width: 7, editable: false, sortable: true },
  { field: 'name', title: 'Name', width: 16, grows: true, editable: false, sortable: true },
  { field: 'place', title: 'Counts in', width: 12, editable: false, sortable: true },
  figure('regular', 'Regular'),
  figure('basis', 'Works from', 6.5),
  figure('now', 'Paid without it', 8.5),
  figure('price', 'New'),
  figure('change', 'Change'),
  figure('cost', 'Cost'),
  figure('margin', 'Margin'),
  figure('breakEven', 'Break-even'),
  { field: 'origin', title: 'From', width: 6, editable: false, sortable: true },
];

const percent = (points: number | null, signed = false): string =>
  points === null ? '' : `${signed && points > 0 ? '+' : ''}${saidPercent(points)}`;

/** What a sheet of regular prices does not tell: nothing else is paid by it, and nothing sold yet. */
const NOT_REGULAR: readonly string[] = ['basis', 'now', 'breakEven'];

/** The columns that say something of these lines. */
export const columnsFor = (lines: readonly SheetLine[], regular: boolean): readonly SheetColumn[] =>
  WORKSHEET_COLUMNS.filter(
    ({ field }) =>
      !(regular && NOT_REGULAR.includes(field)) &&
      (field !== 'place' || lines.some(({ place, since }) => place !== 'chain' || since !== null)),
  );

/** One line as texts. */
export function worksheetCells(
  line: SheetLine,
  result: SheetResult,
  currency: Currency,
  placeWords: (line: SheetLine) => string,
): Record<string, string> {
  const money = (amount: number | null) =>
    amount === null ? '' : saidAmount(formatAmount(amount as MinorUnits, currency));
  const { price, basis, origin, trouble, cost, margin, change, breakEven } = result;
  return {
    sku: line.sku,
    name: line.name,
    place: placeWords(line),
    regular: money(line.regular),
    basis: money(basis),
    now: line.nowLow === line.now ? money(line.now) : `${money(line.nowLow)}–${money(line.now)}`,
    price: money(price),
    change: percent(change, true),
    cost: money(cost),
    margin: percent(margin),
    breakEven: price === null || cost === null ? '' : breakEven === null ? 'never' : saidTimes(breakEven),
    origin: line.stays && price === null ? 'stays' : originWords(origin, trouble),
  };
}

function originWords(origin: SheetResult['origin'], trouble: SheetResult['trouble']): string {
  if (origin === 'own') return 'by hand';
  if (origin !== null) return `pass ${origin + 1}`;
  if (trouble === 'no-cost') return 'has no cost';
  return trouble === 'no-list-price' ? 'not in the list' : '';
}

export type PriceTyped =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'price'; readonly price: string }
  | { readonly kind: 'wrong'; readonly words: string };

/** What was typed or pasted as a new price; nothing gives the line back to its passes. */
export function priceTyped(text: string, currency: Currency): PriceTyped {
  if (text.trim() === '') return { kind: 'nothing' };
  const read = readAmountText(asTyped(text), currency);
  return read.ok
    ? { kind: 'price', price: read.amount }
    : { kind: 'wrong', words: `${read.what}; wanted: ${read.wanted}` };
}
