import { formatAmount, minorUnits } from '../../src/core/money/index.ts';
import { book as bookOf, compile, NO_PRICE, sellable, situationOf } from '../../src/core/price-book/index.ts';
import { GUEST } from '../../src/core/tag-price/index.ts';
import { readArguments } from './arguments.ts';
import { readPlanFile } from './plan-file.ts';
import { momentOf, placeOf } from './question.ts';

/** `belltag book PLAN --store S --at T`: JSON Lines, one per item that the store carries. */
export function book(words: readonly string[], print: (line: string) => void): void {
  const args = readArguments(words, ['store', 'at']);
  const plan = readPlanFile(args.positional[0]);
  const compiled = compile(plan);
  const { store, clock } = placeOf(args, compiled);
  const at = momentOf(args, 'at', clock);
  const situation = situationOf(compiled, store, { at, shopper: GUEST });
  const { prices, regular, winners } = bookOf(compiled, at, [store.id]);
  const money = (amount: number) =>
    amount === NO_PRICE ? null : formatAmount(minorUnits(amount), plan.currency);
  plan.items.forEach(({ sku }, index) => {
    const problem = sellable(compiled, situation, index);
    if (problem === 'parent' || problem === 'retired' || problem === 'not-carried') return;
    const promotion = winners[index]! < 0 ? null : compiled.changes[winners[index]!]!.promotion.id;
    print(JSON.stringify({ sku, price: money(prices[index]!), regular: money(regular[index]!), promotion }));
  });
}
