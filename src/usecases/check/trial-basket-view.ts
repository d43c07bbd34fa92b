import type { TrialBasket } from '../../contracts/index.ts';
import { type Currency, currencyOf, formatAmount, minorUnits } from '../../core/money/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import { type CodeWorth, type Receipt, receiptDocument, type SecondBest } from '../../core/receipt/index.ts';
import { type Names, promotionText } from '../../core/sentence/index.ts';

/** A receipt with the names and sentences of all that stands on it. */
export function trialBasketView(
  plan: Pick<PlanDocument, 'currency' | 'promotions'>,
  names: Names,
  best: Receipt,
  other: SecondBest | null,
  codes: readonly CodeWorth[] = [],
): TrialBasket {
  const currency = currencyOf(plan.currency)!;
  const money = (amount: number) => formatAmount(minorUnits(amount), currency);
  const receipt = receiptDocument(best, currency);
  const second = other && secondView(other, currency);
  const named = new Set([
    ...receipt.lines.flatMap(({ reductions }) => reductions.map(({ promotion }) => promotion)),
    ...receipt.applications.map(({ promotion }) => promotion),
    ...receipt.nearly.map(({ promotion }) => promotion),
    ...best.nextTiers.map(({ promotion }) => promotion),
    ...(second?.applies ?? []),
    ...(receipt.delivery?.promotion === undefined ? [] : [receipt.delivery.promotion]),
  ]);
  const skus = new Set([...receipt.lines, ...receipt.nearly].map(({ sku }) => sku));
  return {
    receipt,
    second,
    nextTiers: best.nextTiers.map(({ promotion, threshold, missing, saving }) => ({
      promotion,
      missing: threshold === 'units' ? missing : money(missing),
      saving: money(saving),
    })),
    codes: codes.map(({ code, saves }) => ({ code, saves: money(saves) })),
    of: best.lines.map(({ of }) => of),
    lists: best.lines.map(({ list }) => (list === null ? null : names.priceList(list))),
    items: Object.fromEntries([...skus].map((sku) => [sku, names.item(sku)])),
    promotions: Object.fromEntries(
      plan.promotions
        .filter(({ id }) => named.has(id))
        .map((promotion) => [
          promotion.id,
          { name: promotion.name, sentence: promotionText(promotion, plan.currency, names) },
        ]),
    ),
  };
}

function secondView({ without, receipt }: SecondBest, currency: Currency): TrialBasket['second'] {
  const { saving, total, applications } = receiptDocument(receipt, currency);
  return { without, saving, total, applies: applications.map(({ promotion }) => promotion) };
}
