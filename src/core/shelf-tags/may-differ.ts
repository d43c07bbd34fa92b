import type { Instant } from '../calendar/index.ts';
import { type Book, barOf, book, type CompiledPlan, goodsOf, situationOf } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';

/** A plan at a moment. */
export interface PlanAt {
  readonly compiled: CompiledPlan;
  readonly at: Instant;
}

/**
 * The items whose standing in a store may be another at one moment than at another, for any of some shoppers. Each that
 * is another is among them; the fast form of the book finds them, so that nothing else needs a look.
 * @param store an id that both plans know.
 * @param isChanged whether a promotion that both plans have is another in one of them.
 * @returns whether an item may differ, by its number in the plan after.
 */
export function mayDiffer(
  store: string,
  before: PlanAt,
  after: PlanAt,
  shoppers: readonly Shopper[],
  isChanged: (promotion: string) => boolean,
): (index: number) => boolean {
  const [was, is] = [before.compiled.catalogue, after.compiled.catalogue];
  const differs = new Uint8Array(is.items.length);
  const mark = (index: number | undefined) => {
    if (index !== undefined) differs[index] = 1;
  };
  for (const shopper of shoppers) {
    const [counted, counts] = [countingAt(before, store, shopper), countingAt(after, store, shopper)];
    for (const id of new Set([...counted, ...counts])) {
      if (counted.has(id) && counts.has(id) && !isChanged(id)) continue;
      for (const index of goodsOf(before.compiled, id)) mark(is.indexOf.get(was.items[index]!.sku));
      for (const index of goodsOf(after.compiled, id)) mark(index);
    }
    const same = samePrices(before, after, store, shopper);
    is.items.forEach((item, index) => {
      if (!same(was.indexOf.get(item.sku), index)) mark(index);
    });
  }
  return (index) => differs[index] === 1;
}

/** The promotions that count in a store for a shopper, whatever the item. */
function countingAt({ compiled, at }: PlanAt, store: string, shopper: Shopper): ReadonlySet<string> {
  const situation = situationOf(compiled, compiled.stores.get(store)!, { at, shopper });
  const counting = [...compiled.changes, ...compiled.offers].filter((one) => barOf(one, situation) === null);
  return new Set(counting.map(({ promotion }) => promotion.id));
}

/** Whether an item that has one number before and another after has the same price, made by the same promotion. */
function samePrices(
  before: PlanAt,
  after: PlanAt,
  store: string,
  shopper: Shopper,
): (before: number | undefined, after: number) => boolean {
  const [was, is] = [before, after].map(({ compiled, at }) =>
    book(compiled, at, [store], undefined, shopper),
  ) as [Book, Book];
  const winnerOf = ({ compiled }: PlanAt, { winners }: Book, index: number) =>
    compiled.changes[winners[index]!]?.promotion.id;
  return (then, now) =>
    then !== undefined &&
    was.prices[then] === is.prices[now] &&
    was.regular[then] === is.regular[now] &&
    winnerOf(before, was, then) === winnerOf(after, is, now);
}
