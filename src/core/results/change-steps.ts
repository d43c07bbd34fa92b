import { parseMoment } from '../calendar/index.ts';
import { readAmount } from '../money/index.ts';
import { answer, type CompiledPlan, situationOf } from '../price-book/index.ts';
import { readBasket } from '../receipt/index.ts';
import type { SaleDocument } from './sale-document.ts';

/** From which price for one to which a price change brought a line, in minor units. */
export interface ChangeStep {
  readonly promotion: string;
  readonly before: number;
  readonly after: number;
}

/**
 * What each price change of a line did to its price. A receipt tells the base and the tag alone: where changes came on
 * top of another, the plan says what each did, as long as it still comes to that tag; else all of it is the first one's.
 */
export function changeSteps(sale: SaleDocument, at: number, compiled: CompiledPlan): ChangeStep[] {
  const { regular, base = regular, tag, priceChange, onTop = [] } = sale.receipt.lines[at]!;
  const { currency } = compiled.plan;
  const [from, to] = [readAmount(base, currency), readAmount(tag, currency)];
  const names = [...(priceChange === undefined ? [] : [priceChange]), ...onTop];
  if (names.length > 1) {
    const told = stepsByPlan(sale, at, names, compiled);
    const isThat =
      told?.map(({ promotion }) => promotion).join('\n') === names.join('\n') &&
      told[0]!.before === from &&
      told.at(-1)!.after === to;
    if (isThat) return told;
  }
  return names.map((promotion, place) => ({ promotion, before: place === 0 ? from : to, after: to }));
}

/** The same by the plan, of these changes alone; null: it knows the store, the item or the shopper no more. */
function stepsByPlan(
  { store, at: when, terminal, basket, receipt }: SaleDocument,
  at: number,
  names: readonly string[],
  compiled: CompiledPlan,
): ChangeStep[] | null {
  const here = compiled.stores.get(store);
  const moment = here ? parseMoment(when, compiled.clockOf(here)) : null;
  const index = compiled.catalogue.indexOf.get(receipt.lines[at]!.sku);
  const read = readBasket({ ...basket, store, at: when, lines: [] }, compiled);
  if (!here || moment === null || index === undefined || !read.ok) return null;
  const { shopper, channel } = read.basket;
  const situation = situationOf(compiled, here, { at: moment, shopper, channel, terminal });
  // That they counted the receipt says, also of those that are over or switched off since.
  const told = answer(compiled, index, situation, ({ promotion }) =>
    names.includes(promotion.id) ? null : 'switched-off',
  );
  if (told.kind === 'problem') return null;
  const { winner, base, onTop } = told;
  const set = winner
    ? [{ promotion: winner.promotion, before: base.price, after: winner.working.result }]
    : [];
  return [...set, ...onTop];
}
