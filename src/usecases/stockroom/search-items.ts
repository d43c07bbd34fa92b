import type { ItemDocument } from '../../core/plan/index.ts';
import type { PlanBook, StockroomStore } from '../ports/index.ts';
import { wordsOf } from './browse-stockroom.ts';

const MOST = 20;

export interface FoundItem {
  readonly sku: string;
  readonly name: string;
  readonly gtin: string | null;
}

/**
 * Items whose SKU, barcode, name or brand holds every word that was typed; parents, which are not sold, are left out.
 * @param known set where the plan is one as it was known: the goods that stand in the database are others.
 */
export async function searchItems(
  ports: { book: PlanBook; stockroom: StockroomStore },
  { q, known }: { readonly q: string; readonly known?: string },
): Promise<FoundItem[]> {
  const { compiled, document } = await ports.book.current();
  const skus = known === undefined ? await standing(ports.stockroom, q) : among(document.items, q);
  const found = skus.flatMap((sku) => {
    const index = compiled.catalogue.indexOf.get(sku);
    if (index === undefined || compiled.catalogue.isParent(index)) return [];
    const { name, gtin } = compiled.catalogue.items[index]!;
    return [{ sku, name, gtin: gtin ?? null }];
  });
  return found.slice(0, MOST);
}

/** Of the goods of a plan, in its order. */
function among(items: readonly ItemDocument[], text: string): string[] {
  const words = wordsOf(text).map((word) => word.toLowerCase());
  const holds = ({ sku, gtin = '', name, brand = '' }: ItemDocument) => {
    const said = `${sku} ${gtin} ${name} ${brand}`.toLowerCase();
    return words.every((word) => said.includes(word));
  };
  return items.filter(holds).map(({ sku }) => sku);
}

async function standing(stockroom: StockroomStore, text: string): Promise<readonly string[]> {
  const { skus } = await stockroom.findItems({
    words: wordsOf(text),
    among: null,
    sort: 'relevance',
    descending: false,
    offset: 0,
    limit: MOST * 2,
    counted: false,
  });
  return skus;
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
