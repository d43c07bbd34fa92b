import { stable } from '../digest/index.ts';
import type { Item } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';

/** Whether words on tags are others by one plan than by another, though the figures are the same. */
export interface Reads {
  item(item: Item): boolean;
  promotion(id: string): boolean;
}

export const READS_THE_SAME: Reads = { item: () => false, promotion: () => false };

/** What reads otherwise: items and promotions that were changed in between. */
export function readsOtherwise(before: CompiledPlan, after: CompiledPlan): Reads {
  const earlier = promotionTexts(before);
  const later = promotionTexts(after);
  return {
    item(item) {
      const was = before.catalogue.items[before.catalogue.indexOf.get(item.sku) ?? -1];
      return was !== item && (was === undefined || printedOf(was) !== printedOf(item));
    },
    promotion: (id) => earlier(id) !== later(id),
  };
}

/** What of an item stands on its tag, as one text. */
export const printedOf = ({ name, gtin, content }: Item): string => stable({ name, gtin, content });

/** All that a promotion may say on a tag, as one text. */
export function promotionTexts({ plan }: CompiledPlan): (id: string) => string | undefined {
  const known = new Map<string, string>();
  const byId = new Map(plan.promotions.map((promotion) => [promotion.id, promotion]));
  return (id) => {
    const promotion = byId.get(id);
    if (!promotion) return undefined;
    const text = known.get(id) ?? textOf(promotion);
    known.set(id, text);
    return text;
  };
}

/** Notes, tags and the rest of its papers are for the house. */
const textOf = ({ label, when, who, offer }: CompiledPlan['plan']['promotions'][number]): string =>
  stable({ label, when, who, offer });
