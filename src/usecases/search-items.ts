import type { PlanBook } from './plan-store.ts';

const MOST = 20;

/** Items whose SKU, barcode or name holds every word that was typed; parents, which are not sold, are left out. */
export async function searchItems(
  ports: { book: PlanBook },
  text: string,
): Promise<{ sku: string; name: string; gtin: string | null }[]> {
  const { compiled } = await ports.book.current();
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found: { sku: string; name: string; gtin: string | null }[] = [];
  for (const [index, item] of compiled.catalogue.items.entries()) {
    if (compiled.catalogue.isParent(index)) continue;
    const haystack = `${item.sku} ${item.gtin ?? ''} ${item.name}`.toLowerCase();
    if (words.every((word) => haystack.includes(word)))
      found.push({ sku: item.sku, name: item.name, gtin: item.gtin ?? null });
    if (found.length === MOST) break;
  }
  return found;
}
