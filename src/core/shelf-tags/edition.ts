import { digest, stable } from '../digest/index.ts';
import type { Item } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { printedOf, promotionTexts } from './reads-otherwise.ts';
import { keyOf, promotionsOn, type Standing } from './standing.ts';

/** Short texts of tags, each another wherever its tag says something else: what was hung is known by it. */
export function editionsOf(compiled: CompiledPlan): (item: Item, standing: Standing) => string {
  const textOf = promotionTexts(compiled);
  return (item, standing) =>
    digest(stable([printedOf(item), keyOf(standing), promotionsOn(standing).map(textOf)]));
}

/** Stands for the tag of what is sold no more, once it is off the shelf. */
export const NONE_HANGS = 'off';
