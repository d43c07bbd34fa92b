import { formatAmount, type MinorUnits } from '../../src/core/money/index.ts';
import { compile, priceAt } from '../../src/core/price-book/index.ts';
import { optional, readArguments } from './arguments.ts';
import { readPlanFile } from './plan-file.ts';
import { momentOf, placeOf, shopperOf, skuOf } from './question.ts';

/** `belltag price PLAN --store S --item SKU --at T [--group G]… [--channel C]`: one JSON object. */
export function price(words: readonly string[], print: (line: string) => void): void {
  const args = readArguments(words, ['store', 'item', 'at', 'group', 'channel', 'terminal']);
  const plan = readPlanFile(args.positional[0]);
  const compiled = compile(plan);
  const { store, clock } = placeOf(args, compiled);
  const answer = priceAt(compiled, {
    sku: skuOf(args, compiled),
    store: store.id,
    at: momentOf(args, 'at', clock),
    shopper: shopperOf(args, compiled),
    channel: optional(args, 'channel'),
    terminal: optional(args, 'terminal'),
  });
  if (answer.kind === 'problem') {
    const none = { price: null, regular: null, base: null, promotion: null, onTop: [], lost: [] };
    print(JSON.stringify({ ...none, problem: answer.problem }));
    return;
  }
  const money = (amount: MinorUnits) => formatAmount(amount, plan.currency);
  print(
    JSON.stringify({
      price: money(answer.price),
      regular: money(answer.regular.price),
      base: money(answer.base.price),
      promotion: answer.winner?.promotion ?? null,
      onTop: answer.onTop.map(({ promotion }) => promotion),
      lost: answer.lost.map(({ promotion, reason }) => ({ promotion, reason })),
    }),
  );
}
