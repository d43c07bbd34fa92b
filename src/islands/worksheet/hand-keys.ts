import { keyParts, lineKey, type SheetLine } from '../../core/worksheet/index.ts';

/** By which key a price by hand of a line is kept: an item that stands in one place only goes by its number. */
export function handKey(line: SheetLine, lines: readonly SheetLine[]): string {
  const alone =
    lines.filter(({ sku, since, stays }) => sku === line.sku && since === null && !stays).length === 1;
  return alone && line.since === null ? line.sku : lineKey(line);
}

/** Prices brought in for items count wherever the item is sold: what was typed for single places of it goes. */
export function withItemPrices(
  own: Readonly<Record<string, string>>,
  lines: Readonly<Record<string, string>>,
): Record<string, string> {
  const kept = Object.entries(own).filter(([key]) => !(keyParts(key).sku in lines));
  return { ...Object.fromEntries(kept), ...lines };
}
