import type { PricedLine } from './priced-lines.ts';
import type { UnitsLeft } from './units-left.ts';

/** Some units of a line that have one price. */
interface Share {
  readonly line: PricedLine;
  /** Price changes that these units do not get any more. */
  readonly without: ReadonlySet<string>;
}

/** Prices a line of the basket as if some price changes were used up. */
export type PriceWithout = (line: PricedLine, without: ReadonlySet<string>) => PricedLine;

/**
 * Pricing rules 4.5, limits in units of price changes: those units get one from which it takes most, of equal ones those
 * that are earlier in the basket; the others are priced as if it were used up. A line of which only some units get it
 * becomes several, those with it first. A weighed line is one unit.
 */
export function limitedLines(
  lines: readonly PricedLine[],
  left: UnitsLeft,
  price: PriceWithout,
): PricedLine[] {
  let shares: readonly Share[] = lines.map((line) => ({ line, without: new Set() }));
  for (;;) {
    const over = [...left].find(([id, most]) => unitsWith(shares, id) > most);
    if (!over) return shares.map(({ line }) => line);
    shares = withhold(shares, ...over, price);
  }
}

const unitsWith = (shares: readonly Share[], id: string): number =>
  shares.reduce((sum, { line }) => sum + (hasChange(line, id) ? unitsIn(line) : 0), 0);

const hasChange = ({ sold }: PricedLine, id: string): boolean =>
  sold.ok && (sold.priceChange === id || sold.onTop.includes(id));

const unitsIn = ({ weighed, thousandths }: PricedLine): number => (weighed ? 1 : thousandths / 1_000);

/** Takes a price change away from all units but so many. */
function withhold(shares: readonly Share[], id: string, most: number, price: PriceWithout): Share[] {
  const offered = shares
    .map((share, place) => ({ share, place }))
    .filter(({ share }) => hasChange(share.line, id))
    .map(({ share, place }) => {
      const without = new Set([...share.without, id]);
      const line = price(share.line, without);
      return { place, without, line, worth: worthOf(line) - worthOf(share.line) };
    })
    .sort((a, b) => b.worth - a.worth || a.place - b.place);
  let left = most;
  const parts = new Map<number, Share[]>();
  for (const { place, without, line } of offered) {
    const { line: before, without: earlier } = shares[place]!;
    const get = Math.min(left, unitsIn(before));
    left -= get;
    const rest = unitsIn(before) - get;
    parts.set(place, [
      ...(get > 0 ? [{ line: ofUnits(before, get), without: earlier }] : []),
      ...(rest > 0 ? [{ line: ofUnits(line, rest), without }] : []),
    ]);
  }
  return shares.flatMap((share, place) => parts.get(place) ?? [share]);
}

/** What one unit of a line costs, in minor units; nothing where it cannot be sold. */
const worthOf = ({ sold, weighed }: PricedLine): number => (sold.ok ? (weighed ? sold.amount : sold.tag) : 0);

/** So many units of a line; a weighed one is whole. */
function ofUnits(line: PricedLine, units: number): PricedLine {
  if (line.weighed || units * 1_000 === line.thousandths || !line.sold.ok) return line;
  return { ...line, thousandths: units * 1_000, sold: { ...line.sold, amount: line.sold.tag * units } };
}
