import { halfAwayFromZero, type MinorUnits, ratio } from '../money/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { PriceAnswer, PriceProblem } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import type { Unit } from './unit.ts';

/** A line with its tag price; without one where it cannot be sold. */
export interface PricedLine {
  readonly sku: string;
  readonly thousandths: number;
  readonly weighed: boolean;
  readonly sold:
    | {
        readonly ok: true;
        readonly item: number;
        readonly regular: MinorUnits;
        readonly base: MinorUnits;
        readonly tag: MinorUnits;
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
  return basket.lines.map(({ sku, thousandths }): PricedLine => {
    const item = compiled.catalogue.indexOf.get(sku);
    if (item === undefined)
      return { sku, thousandths, weighed: false, sold: { ok: false, problem: 'unknown-item' } };
    const weighed = (compiled.catalogue.items[item]!.unit ?? 'each') !== 'each';
    const answer = answers.get(item) ?? priceOf(item);
    answers.set(item, answer);
    if (answer.kind === 'problem')
      return { sku, thousandths, weighed, sold: { ok: false, problem: answer.problem } };
    const { price, regular, base, winner } = answer;
    return {
      sku,
      thousandths,
      weighed,
      sold: {
        ok: true,
        item,
        regular: regular.price,
        base: base.price,
        tag: price,
        reduced: price < base.price,
        alone: winner !== null && alone.has(winner.promotion),
        amount: Number(halfAwayFromZero(ratio(BigInt(price) * BigInt(thousandths), 1_000))),
      },
    };
  });
}

/** The pieces that offers may use: whole ones, whose price does not stand alone. A weighed line has one position. */
export function unitsOf(lines: readonly PricedLine[]): Unit[] {
  const units: Unit[] = [];
  let position = 0;
  lines.forEach(({ sold, weighed, thousandths }, line) => {
    if (!sold.ok) return;
    if (weighed) {
      position += 1;
      return;
    }
    for (let piece = 0; piece < thousandths; piece += 1_000) {
      if (!sold.alone) {
        const { item, regular, base, tag } = sold;
        units.push({ position, line, item, regular, base, tag });
      }
      position += 1;
    }
  });
  return units;
}
