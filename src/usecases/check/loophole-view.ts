import type { FindingMend, LoopholeView } from '../../contracts/index.ts';
import type { Loophole } from '../../core/loopholes/index.ts';
import { formatAmount, type MinorUnits } from '../../core/money/index.ts';
import type { Promotion } from '../../core/plan/index.ts';
import { type CompiledPlan, priceAt } from '../../core/price-book/index.ts';
import { type Basket, isUnitOffer } from '../../core/receipt/index.ts';

/** Amounts that may be below nothing, as decimal text. */
export const moneyIn =
  ({ plan }: CompiledPlan) =>
  (amount: number): string =>
    `${amount < 0 ? '-' : ''}${formatAmount(Math.abs(amount) as MinorUnits, plan.currency)}`;

/** A loophole with what is in it by name, and what would close it. */
export function loopholeView(
  compiled: CompiledPlan,
  { margin, goods, cost, units, promotions, basket }: Loophole,
): LoopholeView {
  const money = moneyIn(compiled);
  const { catalogue, plan } = compiled;
  const named = promotions.flatMap((id) => plan.promotions.find((one) => one.id === id) ?? []);
  const loses = margin < 0;
  return {
    margin: money(margin),
    goods: money(goods),
    cost: money(cost),
    units,
    promotions: named.map(({ id, name }) => ({ id, name })),
    lines: basket.lines.map(({ sku, thousandths }) => ({
      sku,
      name: catalogue.items[catalogue.indexOf.get(sku)!]!.name,
      quantity: thousandths / 1_000,
    })),
    codes: basket.codes,
    mends: loses ? named.flatMap((one) => mendsOf(compiled, one, basket)) : [],
    loses,
  };
}

/** A price change leaves out what it lowers in the basket; a deal is given once in one. */
function mendsOf(
  compiled: CompiledPlan,
  { id, name, offer, limitPerBasket }: Promotion,
  basket: Basket,
): FindingMend[] {
  if (offer.kind === 'priceChange') {
    const { store, shopper, at } = basket;
    const items = basket.lines.flatMap(({ sku }) => {
      const answer = priceAt(compiled, { sku, store, shopper, at });
      return answer.kind === 'price' && answer.winner?.promotion === id ? [sku] : [];
    });
    return items.length > 0 ? [{ kind: 'leave-out', promotion: id, name, items }] : [];
  }
  return isUnitOffer(offer) && limitPerBasket === null ? [{ kind: 'once', promotion: id, name }] : [];
}
