import type { Column } from '../../contracts/table/index.ts';
import { readAmountText } from '../../contracts/table/index.ts';
import { currencyOf } from '../../core/money/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { SheetPlace } from '../../core/worksheet/index.ts';
import type { PlanBook } from '../ports/index.ts';
import { guessMatching } from './match-columns.ts';

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
  { field: 'place', title: 'Counts in', kind: 'text', also: ['place', 'zone', 'store'] },
];

export interface SheetLinesRead {
  readonly lines: readonly {
    readonly sku: string;
    /** Where the price counts; null: the file does not say, and it counts everywhere. */
    readonly place: SheetPlace | null;
    readonly price: string;
  }[];
  readonly refused: readonly { readonly line: number; readonly message: string }[];
}

/** The lines of a worksheet out of the rows of a file: an item number or barcode, its new price, and where that counts. */
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
  const at = (field: string) => file.heads.findIndex((head) => matching[head] === field);
  const [code, price, where] = [at('sku'), at('price'), at('place')];
  if (code < 0 || price < 0) {
    const message = `its columns are ${file.heads.join(', ')}; wanted: one called Item number and one called New`;
    return { lines: [], refused: [{ line: 1, message }] };
  }
  const known = new Map(document.items.flatMap(({ sku, gtin }) => (gtin ? [[gtin, sku]] : [])));
  for (const { sku } of document.items) known.set(sku, sku);
  const placeOf = placeReader(document);
  const lines = new Map<string, SheetLinesRead['lines'][number]>();
  const refused: { line: number; message: string }[] = [];
  file.rows.forEach((row, i) => {
    const line = file.lines[i]!;
    const sku = known.get((row[code] ?? '').trim());
    const text = (row[price] ?? '').trim();
    if (sku === undefined) return void refused.push({ line, message: `no item or barcode "${row[code]}"` });
    if (text === '') return;
    const read = readAmountText(text, currency);
    if (!read.ok) return void refused.push({ line, message: `${read.what}; wanted: ${read.wanted}` });
    const place = where < 0 ? null : placeOf((row[where] ?? '').trim());
    if (place === undefined)
      return void refused.push({
        line,
        message: `no zone or store "${row[where]}"; wanted: the chain, or the name or id of a zone or a store`,
      });
    const key = `${sku} ${place ?? ''}`;
    if (lines.has(key) && lines.get(key)!.price !== read.amount)
      return void refused.push({
        line,
        message: `a second, other price for ${sku}; wanted: one line for each item and place`,
      });
    lines.set(key, { sku, place, price: read.amount });
  });
  return { lines: [...lines.values()], refused };
}

/** Reads a place as a worksheet writes it ("Isles prices, 6 stores"), by name or id; undefined where nobody knows it. */
function placeReader({ zones = [], stores }: PlanDocument): (text: string) => SheetPlace | null | undefined {
  const known = new Map<string, SheetPlace>([
    ['the chain', 'chain'],
    ['chain', 'chain'],
  ]);
  for (const { id, name } of stores)
    for (const text of [id, name]) known.set(text.toLowerCase(), `store:${id}`);
  for (const { id, name } of zones)
    for (const text of [id, name]) known.set(text.toLowerCase(), `zone:${id}`);
  return (text) => {
    const bare = text.replace(/, \d+ stores?$/, '').toLowerCase();
    return bare === '' ? null : known.get(bare);
  };
}
