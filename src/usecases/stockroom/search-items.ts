import type { PlanBook, StockroomStore } from '../ports/index.ts';
import { wordsOf } from './browse-stockroom.ts';

const MOST = 20;

export interface FoundItem {
  readonly sku: string;
  readonly name: string;
  readonly gtin: string | null;
}

/** Items whose SKU, barcode, name or brand holds every word that was typed; parents, which are not sold, are left out. */
export async function searchItems(
  ports: { book: PlanBook; stockroom: StockroomStore },
  text: string,
): Promise<FoundItem[]> {
  const { compiled } = await ports.book.current();
  const { skus } = await ports.stockroom.findItems({
    words: wordsOf(text),
    among: null,
    sort: 'relevance',
    descending: false,
    offset: 0,
    limit: MOST * 2,
    counted: false,
  });
  return skus
    .flatMap((sku) => {
      const index = compiled.catalogue.indexOf.get(sku);
      if (index === undefined || compiled.catalogue.isParent(index)) return [];
      const { name, gtin } = compiled.catalogue.items[index]!;
      return [{ sku, name, gtin: gtin ?? null }];
    })
    .slice(0, MOST);
}

/** The items of numbers or barcodes, as they come out of another program, and those that nobody knows. */
export async function matchCodes(
  ports: { book: PlanBook },
  codes: readonly string[],
): Promise<{ found: FoundItem[]; missing: string[] }> {
  const { compiled } = await ports.book.current();
  const { items, indexOf } = compiled.catalogue;
  const byBarcode = new Map(items.flatMap(({ gtin, sku }) => (gtin === undefined ? [] : [[gtin, sku]])));
  const found = new Map<string, FoundItem>();
  const missing: string[] = [];
  for (const code of codes) {
    const item = items[indexOf.get(code) ?? indexOf.get(byBarcode.get(code) ?? '') ?? -1];
    if (item) found.set(item.sku, { sku: item.sku, name: item.name, gtin: item.gtin ?? null });
    else missing.push(code);
  }
  return { found: [...found.values()], missing };
}
