import { type Currency, formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { SheetLine, SheetResult } from '../../core/worksheet/index.ts';
import { handKey } from './hand-keys.ts';
import type { FileLine } from './sheet-files.tsx';

interface Answer {
  readonly facts: { readonly lines: readonly SheetLine[] };
  readonly results: readonly SheetResult[];
}

/** The lines of a file that say another price than stands, with both; what stands already stays as it came about. */
export function differingLines(
  file: readonly FileLine[],
  { facts, results }: Answer,
  currency: Currency,
): { line: FileLine; words: string }[] {
  const stands = new Map<string, { name: string; prices: Map<string, string | null> }>();
  facts.lines.forEach(({ sku, name, place, since }, i) => {
    if (since !== null) return;
    const { price, removed } = results[i]!;
    const known = stands.get(sku) ?? { name, prices: new Map<string, string | null>() };
    const text = price === null || removed ? null : formatAmount(price as MinorUnits, currency);
    stands.set(sku, { name, prices: known.prices.set(place, text) });
  });
  return file.flatMap((line) => {
    const known = stands.get(line.sku);
    const there = !known
      ? [null]
      : line.place === null
        ? [...known.prices.values()]
        : [known.prices.get(line.place) ?? null];
    if (there.every((price) => price === line.price)) return [];
    const before = [...new Set(there.map((price) => price ?? 'no price'))].join(' / ');
    return [{ line, words: `${known?.name ?? line.sku} (${line.sku}): ${before} → ${line.price}` }];
  });
}

/** Prices by hand with those of a file: of one place where it says so, else wherever the item is sold. */
export function withFileLines(
  own: Readonly<Record<string, string>>,
  file: readonly FileLine[],
  lines: readonly SheetLine[],
): Record<string, string> {
  const next = { ...own };
  for (const { sku, place, price } of file) {
    const line =
      place === null
        ? undefined
        : lines.find((one) => one.sku === sku && one.place === place && one.since === null);
    next[line ? handKey(line, lines) : sku] = price;
  }
  return next;
}
