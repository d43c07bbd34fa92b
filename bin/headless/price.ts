import { dealsOn, unitLadder } from '../../src/core/ladder/index.ts';
import { formatAmount, type MinorUnits } from '../../src/core/money/index.ts';
import { type CompiledPlan, compile, type PriceQuestion, priceAt } from '../../src/core/price-book/index.ts';
import { optional, readArguments, refuse } from './arguments.ts';
import { readPlanFile } from './plan-file.ts';
import { momentOf, placeOf, shopperOf, skuOf } from './question.ts';

const MOST_UNITS = 9_999;

/** `belltag price PLAN --store S --item SKU --at T [--group G]… [--shopper ID] [--channel C] [--ladder N]`: one JSON object. */
export function price(words: readonly string[], print: (line: string) => void): void {
  const args = readArguments(words, [
    'store',
    'item',
    'at',
    'group',
    'shopper',
    'channel',
    'terminal',
    'ladder',
  ]);
  const plan = readPlanFile(args.positional[0]);
  const compiled = compile(plan);
  const { store, clock } = placeOf(args, compiled);
  const question = {
    sku: skuOf(args, compiled),
    store: store.id,
    at: momentOf(args, 'at', clock),
    shopper: shopperOf(args, compiled),
    channel: optional(args, 'channel'),
    terminal: optional(args, 'terminal'),
  };
  const units = optional(args, 'ladder');
  const ladder = units === undefined ? {} : ladderOf(compiled, question, unitsOf(units));
  const answer = priceAt(compiled, question);
  if (answer.kind === 'problem') {
    const none = { price: null, regular: null, base: null, promotion: null, onTop: [], lost: [] };
    print(JSON.stringify({ ...none, problem: answer.problem, ...ladder }));
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
      ...ladder,
    }),
  );
}

function unitsOf(text: string): number {
  if (!/^\d{1,4}$/.test(text) || Number(text) === 0)
    refuse(['--ladder'], `"${text}" is no number of units`, `a whole number from 1 to ${MOST_UNITS}`);
  return Number(text);
}

function ladderOf(compiled: CompiledPlan, question: PriceQuestion, most: number): object {
  const money = (amount: MinorUnits) => formatAmount(amount, compiled.plan.currency);
  return {
    ladder: unitLadder(compiled, question, most).map(({ quantity, goods, each, promotions }) => ({
      quantity,
      goods: money(goods),
      each: money(each),
      promotions,
    })),
    deals: dealsOn(compiled, question).map(({ promotion, reason }) => ({
      promotion: promotion.id,
      live: reason === null,
      ...(reason === null ? {} : { reason }),
    })),
  };
}
