import type { MinorUnits } from '../money/index.ts';
import type { ItemRule } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { ItemSelection } from '../selection/index.ts';
import { basePrice, listPrice, type Shopper } from '../tag-price/index.ts';
import type { SheetPlace } from './sheet-place.ts';

/** What a worksheet knows of one item in one place before any pass: all that a formula may work from. */
export interface SheetLine {
  readonly sku: string;
  readonly name: string;
  readonly place: SheetPlace;
  /** The day from which a later regular price counts; null: the one that stands at the start. */
  readonly since: string | null;
  /** It is shown, and no pass or price for all places touches it. */
  readonly stays: boolean;
  /** In how many stores it counts. */
  readonly stores: number;
  readonly regular: MinorUnits;
  /** What the shopper of the change pays without any promotion. */
  readonly base: MinorUnits;
  readonly cost: MinorUnits | null;
  /** What is paid without this change: the highest and the lowest over the stores in which the line counts. */
  readonly now: MinorUnits;
  readonly nowLow: MinorUnits;
  /** The results of the price lists that some pass works from. */
  readonly lists: Readonly<Record<string, MinorUnits>>;
  /** Numbers of the passes that select it, rising; empty for a line that was added by hand. */
  readonly passes: readonly number[];
  /** Numbers in `elsewhere` of what reduces it already in some of these stores and days. */
  readonly reducedBy: readonly number[];
}

/** What a pass asks of the lines: which goods, and whether it works from a price list. */
export interface PassQuestion {
  readonly items: ItemRule;
  readonly list: string | null;
}

/** Numbers of the passes that select an item at a regular price. */
export const selecting = (
  selections: readonly ItemSelection[],
  index: number,
  regular: MinorUnits,
): number[] => selections.flatMap((selection, i) => (selection.has(index, regular) ? [i] : []));

/** What formulas may work from beside the cost, made of a regular price. */
export function basesOf(
  compiled: CompiledPlan,
  passes: readonly PassQuestion[],
  sku: string,
  regular: MinorUnits,
  shopper: Shopper,
): Pick<SheetLine, 'base' | 'lists'> {
  const lists: Record<string, MinorUnits> = {};
  for (const { list } of passes) {
    const found = list === null ? undefined : compiled.priceLists.get(list);
    const price = found && listPrice(found, sku, regular);
    if (list !== null && price !== null && price !== undefined) lists[list] = price;
  }
  return { base: basePrice(compiled.listsOf(shopper), sku, regular).price, lists };
}
