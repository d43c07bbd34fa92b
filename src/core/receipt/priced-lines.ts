import { halfAwayFromZero, type MinorUnits, minorUnits, ratio } from '../money/index.ts';
import type { Unit } from '../offer/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { PriceAnswer, PriceProblem } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';

/** A line with its tag price; without one where it cannot be sold. */
export interface PricedLine {
  /** Place among the lines of the basket: one of which not all units have one price stands in several. */
  readonly of: number;
  readonly sku: string;
  readonly thousandths: number;
  readonly weighed: boolean;
  readonly sold:
    | {
        readonly ok: true;
        readonly item: number;
        readonly regular: MinorUnits;
        readonly base: MinorUnits;
        /** The price list that made the base; null: it is the public price. */
        readonly list: string | null;
        readonly tag: MinorUnits;
        /** The price change that set the tag, and those on top of it, in their order. */
        readonly priceChange: string | null;
        readonly onTop: readonly string[];
        /** A price change made it cheaper. */
        readonly reduced: boolean;
        /** The price change that set its price stands alone. */
        readonly alone: boolean;
        /** The whole line at its tag price. */
        readonly amount: number;
      }
    | { readonly ok: false; readonly problem: PriceProblem };
}

/** Pricing rules 4: the lines of a basket at their tag prices. */
export function priceLines(
  basket: Basket,
  compiled: CompiledPlan,
  priceOf: (index: number) => PriceAnswer,
): PricedLine[] {
  const alone = new Set(
    compiled.changes.filter(({ promotion }) => promotion.alone).map(({ promotion }) => promotion.id),
  );
  const answers = new Map<number, PriceAnswer>();
  return basket.lines.map(({ sku, thousandths }, of): PricedLine => {
    const item = compiled.catalogue.indexOf.get(sku);
    if (item === undefined)
      return { of, sku, thousandths, weighed: false, sold: { ok: false, problem: 'unknown-item' } };
    const weighed = (compiled.catalogue.items[item]!.unit ?? 'each') !== 'each';
    const answer = answers.get(item) ?? priceOf(item);
    answers.set(item, answer);
    if (answer.kind === 'problem')
      return { of, sku, thousandths, weighed, sold: { ok: false, problem: answer.problem } };
    const { price, base, winner } = answer;
    return {
      of,
      sku,
      thousandths,
      weighed,
      sold: {
        ok: true,
        item,
        ...tagStory(answer),
        tag: price,
        reduced: price < base.price,
        alone: winner !== null && alone.has(winner.promotion),
        amount: Number(halfAwayFromZero(ratio(BigInt(price) * BigInt(thousandths), 1_000))),
      },
    };
  });
}

/** How a tag price came about, as a receipt tells it; zero where there is none. */
export function tagStory(answer: PriceAnswer) {
  const none = { regular: minorUnits(0), base: minorUnits(0), list: null, priceChange: null, onTop: [] };
  if (answer.kind === 'problem') return none;
  return {
    regular: answer.regular.price,
    base: answer.base.price,
    list: answer.base.list,
    priceChange: answer.winner?.promotion ?? null,
    onTop: answer.onTop.map(({ promotion }) => promotion),
  };
}

export type SoldLine = PricedLine & { readonly sold: Extract<PricedLine['sold'], { readonly ok: true }> };

const isSold = (line: PricedLine): line is SoldLine => line.sold.ok;

/** Makes something of every piece of the lines that can be sold; a weighed line is one piece, with one position. */
export function fromPieces<T>(
  lines: readonly PricedLine[],
  make: (sold: SoldLine['sold'], at: { position: number; line: number; weighed: boolean }) => T,
): T[] {
  const made: T[] = [];
  lines.forEach((one, line) => {
    if (!isSold(one)) return;
    const { sold, weighed, thousandths } = one;
    const pieces = weighed ? 1 : thousandths / 1_000;
    for (let piece = 0; piece < pieces; piece++)
      made.push(make(sold, { position: made.length, line, weighed }));
  });
  return made;
}

/** The pieces that offers may use: whole ones, whose price does not stand alone. */
export function unitsOf(lines: readonly PricedLine[]): Unit[] {
  return fromPieces(lines, ({ item, regular, base, tag, alone }, { position, line, weighed }) =>
    weighed || alone ? null : { position, line, item, regular, base, tag },
  ).filter((unit) => unit !== null);
}
