import type { MinorUnits } from '../money/index.ts';
import { type CompiledOffer, type CompiledPlan, pricesIn, type Situation } from '../price-book/index.ts';

/** An item that a part of a deal selects and the store sells by the piece. */
export interface Good {
  readonly sku: string;
  readonly tag: MinorUnits;
  readonly regular: MinorUnits;
}

/** The goods of each part of a deal in one store, by rising tag price; a deal without goods is over everything. */
export function dealGoods(
  compiled: CompiledPlan,
  offer: CompiledOffer,
  situation: Situation,
): readonly (readonly Good[])[] {
  const priceOf = pricesIn(compiled, situation);
  const parts = offer.parts();
  const asked = parts.length > 0 ? parts : [{ mayHave: () => true, has: () => true }];
  const goods = asked.map((): Good[] => []);
  compiled.catalogue.items.forEach(({ sku, unit = 'each' }, index) => {
    if (unit !== 'each' || !asked.some((part) => part.mayHave(index))) return;
    const answer = priceOf(index);
    if (answer.kind === 'problem') return;
    const regular = answer.regular.price;
    asked.forEach((part, i) => {
      if (part.has(index, regular)) goods[i]!.push({ sku, tag: answer.price, regular });
    });
  });
  return goods.map((part) => part.sort((a, b) => a.tag - b.tag || (a.sku < b.sku ? -1 : 1)));
}

/** Whether a store sells anything of a part of a deal in a situation. */
export function sellsAny(
  compiled: CompiledPlan,
  offer: CompiledOffer,
  part: number,
  situation: Situation,
): boolean {
  const selection = offer.parts()[part]!;
  const priceOf = pricesIn(compiled, situation);
  return compiled.catalogue.items.some((_, index) => {
    if (!selection.mayHave(index)) return false;
    const answer = priceOf(index);
    return answer.kind === 'price' && selection.has(index, answer.regular.price);
  });
}
