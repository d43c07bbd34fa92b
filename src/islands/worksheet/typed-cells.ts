import type { Currency } from '../../core/money/index.ts';
import { keyParts } from '../../core/worksheet/index.ts';
import type { CellEdit, SheetRow } from '../sheet/index.ts';
import { priceTyped } from './cells.ts';

/** The columns that are typed into. */
export const TYPED = ['price', 'cost'] as const;
type TypedField = (typeof TYPED)[number];
const isTyped = (field: string): field is TypedField => (TYPED as readonly string[]).includes(field);

/** Cells whose text is no price, by {@link cellKey}, with what is wrong with each. */
export type WrongCells = ReadonlyMap<string, { readonly text: string; readonly words: string }>;

export const cellKey = (row: string, field: string): string => `${field} ${row}`;

export interface TypedPrices {
  /** Prices by hand, by the key of their line. */
  readonly price: Readonly<Record<string, string>>;
  /** The supplier's costs by item. */
  readonly cost: Readonly<Record<string, string>>;
  readonly wrong: WrongCells;
}

/** What stands by hand once some cells were typed into; an emptied cell is no longer by hand. */
export function afterTyping(
  before: TypedPrices,
  edits: readonly CellEdit[],
  rowAt: (index: number) => SheetRow | null,
  currency: Currency,
): TypedPrices {
  const typed = { price: { ...before.price }, cost: { ...before.cost } };
  const wrong = new Map(before.wrong);
  for (const { row, field, text } of edits) {
    const there = rowAt(row);
    if (!there || !isTyped(field) || keyParts(there.key).since !== null) continue;
    const sku = there.cells.sku!;
    // A cost is the item's, wherever it counts; a price is the line's.
    const key = field === 'cost' ? sku : there.key;
    wrong.delete(cellKey(there.key, field));
    const read = priceTyped(text, currency);
    if (read.kind === 'price') typed[field][key] = read.price;
    else if (read.kind === 'wrong')
      wrong.set(cellKey(there.key, field), { text, words: `${sku}: ${read.words}` });
    else {
      if (!(key in typed[field])) delete typed[field][sku];
      delete typed[field][key];
    }
  }
  return { ...typed, wrong };
}
