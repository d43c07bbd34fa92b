import { barOf, type CompiledOffer, type CompiledPlan, type Situation } from '../price-book/index.ts';
import { isUnitOffer } from '../receipt/index.ts';
import type { Good } from './deal-goods.ts';

/** Another live offer that wants some of the same units. */
export interface Rival {
  readonly promotion: string;
  /** How many of the deal's goods it wants too. */
  readonly items: number;
}

/** Offers over units that are live where the deal is looked at and want goods of it; most goods first. */
export function rivalsOf(
  compiled: CompiledPlan,
  deal: CompiledOffer,
  situation: Situation,
  parts: readonly (readonly Good[])[],
): Rival[] {
  if (!wantsUnits(deal)) return [];
  const goods = [...new Map(parts.flat().map((good) => [good.sku, good])).values()];
  return compiled.offers
    .filter((other) => other.promotion.id !== deal.promotion.id && wantsUnits(other))
    .filter((other) => barOf(other, situation) === null)
    .map((other) => ({
      promotion: other.promotion.id,
      items: goods.filter(({ sku, regular }) =>
        other.parts().some((part) => part.has(compiled.catalogue.indexOf.get(sku)!, regular)),
      ).length,
    }))
    .filter(({ items }) => items > 0)
    .sort((a, b) => b.items - a.items || (a.promotion < b.promotion ? -1 : 1));
}

const wantsUnits = ({ promotion: { offer } }: CompiledOffer): boolean => isUnitOffer(offer);
