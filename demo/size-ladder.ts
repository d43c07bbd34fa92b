/** Endings of shelf prices that a drugstore uses, in cents. */
const ENDINGS = [25, 45, 49, 75, 95, 99];

/**
 * Shelf prices of one product in several sizes: a larger one is dearer, and cheaper by the unit of measure.
 * @param sizes rising; none: one price.
 * @param reference the size that costs `middle`, in cents, before that is brought to an ending.
 * @returns cents.
 */
export function sizeLadder(sizes: readonly number[], reference: number, middle: number): number[] {
  if (sizes.length === 0) return [atEnding(middle, 0, Number.POSITIVE_INFINITY)];
  const prices: number[] = [];
  for (const [i, size] of sizes.entries()) {
    const exact = middle * (size / reference) ** 0.8;
    const before = prices[i - 1];
    const most = before === undefined ? Number.POSITIVE_INFINITY : (before * size) / sizes[i - 1]!;
    prices.push(atEnding(exact, before ?? 0, most));
  }
  return prices;
}

/** The ending nearest to an amount that lies above one bound and below another; the middle of both where none does. */
function atEnding(exact: number, above: number, below: number): number {
  const euro = Math.floor(exact / 100);
  const near = [euro - 1, euro, euro + 1]
    .flatMap((whole) => ENDINGS.map((cents) => whole * 100 + cents))
    .filter((price) => price >= 25 && price > above && price < below)
    .toSorted((a, b) => Math.abs(a - exact) - Math.abs(b - exact) || a - b);
  return near[0] ?? Math.floor((above + below) / 2);
}
