import type { Column } from '../contracts/table/index.ts';
import { readAmountText } from '../contracts/table/index.ts';
import { currencyOf } from '../core/money/index.ts';
import { guessMatching } from './match-columns.ts';
import type { PlanBook } from './plan-store.ts';

const COLUMNS: readonly Column[] = [
  {
    field: 'sku',
    title: 'Item number',
    kind: 'text',
    key: true,
    required: true,
    also: ['sku', 'article', 'item', 'barcode', 'gtin', 'ean'],
  },
  {
    field: 'price',
    title: 'New',
    kind: 'amount',
    required: true,
    also: ['new price', 'price', 'promotion price', 'offer'],
  },
];

export interface SheetLinesRead {
  /** By item number. */
  readonly lines: Readonly<Record<string, string>>;
  readonly refused: readonly { readonly line: number; readonly message: string }[];
}

/** The lines of a worksheet out of the rows of a file: an item number or barcode and its new price. */
export async function readSheetLines(
  ports: { book: PlanBook },
  file: {
    readonly heads: readonly string[];
    readonly rows: readonly (readonly string[])[];
    readonly lines: readonly number[];
  },
): Promise<SheetLinesRead> {
  const { document } = await ports.book.current();
  const currency = currencyOf(document.currency)!;
  const matching = guessMatching(file.heads, COLUMNS);
  const place = (field: string) => file.heads.findIndex((head) => matching[head] === field);
  const [code, price] = [place('sku'), place('price')];
  if (code < 0 || price < 0) {
    const message = `its columns are ${file.heads.join(', ')}; wanted: one called Item number and one called New`;
    return { lines: {}, refused: [{ line: 1, message }] };
  }
  const known = new Map(document.items.flatMap(({ sku, gtin }) => (gtin ? [[gtin, sku]] : [])));
  for (const { sku } of document.items) known.set(sku, sku);
  const lines: Record<string, string> = {};
  const refused: { line: number; message: string }[] = [];
  file.rows.forEach((row, i) => {
    const line = file.lines[i]!;
    const sku = known.get((row[code] ?? '').trim());
    const text = (row[price] ?? '').trim();
    if (sku === undefined) return void refused.push({ line, message: `no item or barcode "${row[code]}"` });
    if (text === '') return;
    const read = readAmountText(text, currency);
    if (!read.ok) return void refused.push({ line, message: `${read.what}; wanted: ${read.wanted}` });
    if (sku in lines && lines[sku] !== read.amount)
      return void refused.push({
        line,
        message: `a second, other price for ${sku}; wanted: one line for each item`,
      });
    lines[sku] = read.amount;
  });
  return { lines, refused };
}
