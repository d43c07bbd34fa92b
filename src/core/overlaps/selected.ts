import type { DayNumber } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { ItemSelection } from '../selection/index.ts';
import { isRetired, regularPrice } from '../tag-price/index.ts';
import type { Site } from './sites.ts';

/** Items of a selection that a site sells on a day, by number, each with its regular price. */
export function soldOf(
  { catalogue, carries }: CompiledPlan,
  selection: ItemSelection,
  { store, own }: Site,
  day: DayNumber,
): ReadonlyMap<number, MinorUnits> {
  const sold = new Map<number, MinorUnits>();
  const anywhere = own ? store : { ...store, id: '' };
  for (const index of own ?? selection.numbers() ?? catalogue.items.keys()) {
    const item = catalogue.items[index]!;
    if (catalogue.isParent(index) || isRetired(item, day)) continue;
    const regular = regularPrice(item, anywhere, day)?.price;
    if (regular === undefined || !selection.has(index, regular)) continue;
    if (carries(store.id, index, regular)) sold.set(index, regular);
  }
  return sold;
}
