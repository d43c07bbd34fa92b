import { type KeyboardEvent, useEffect, useState } from 'react';

/**
 * Enter that comes faster than the suggestions: it waits for those of the very text that stands in the box, and then
 * takes the one that is meant, if any.
 * @param settled whether the suggestions that are here are those of the text.
 */
export function usePendingEnter(
  text: string,
  settled: boolean,
  take: () => void,
): (event: KeyboardEvent) => void {
  const [pending, setPending] = useState<string | null>(null);
  useEffect(() => {
    if (pending === null || !settled) return;
    setPending(null);
    if (pending === text) take();
  });
  return (event) => {
    if (event.key !== 'Enter' || settled || text.trim() === '') return;
    event.preventDefault();
    setPending(text);
  };
}

/** The one among suggestions that a text means: of that number or barcode, or the only one. */
export function meantBy<T extends { readonly sku: string; readonly gtin?: string | null }>(
  text: string,
  found: readonly T[],
): T | null {
  const typed = text.trim().toLowerCase();
  return (
    found.find(({ sku, gtin }) => sku.toLowerCase() === typed || gtin === typed) ??
    (found.length === 1 ? found[0]! : null)
  );
}
