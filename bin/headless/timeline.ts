import { formatMoment } from '../../src/core/calendar/index.ts';
import { formatAmount } from '../../src/core/money/index.ts';
import { compile, timeline as timelineOf } from '../../src/core/price-book/index.ts';
import { readArguments, refuse } from './arguments.ts';
import { readPlanFile } from './plan-file.ts';
import { momentOf, placeOf, shopperOf, skuOf } from './question.ts';

/** `belltag timeline PLAN --store S --item SKU --from T --to T`: a JSON array of steps. */
export function timeline(words: readonly string[], print: (line: string) => void): void {
  const args = readArguments(words, ['store', 'item', 'from', 'to', 'group', 'shopper', 'channel']);
  const plan = readPlanFile(args.positional[0]);
  const compiled = compile(plan);
  const { store, clock } = placeOf(args, compiled);
  const from = momentOf(args, 'from', clock);
  const to = momentOf(args, 'to', clock);
  if (to <= from) refuse(['--to'], 'the end is not after the start', 'an end after --from');
  const question = {
    sku: skuOf(args, compiled),
    store: store.id,
    shopper: shopperOf(args, compiled),
    channel: args.options.get('channel')?.[0],
  };
  const steps = timelineOf(compiled, question, { from, to }).map((step) => ({
    from: formatMoment(step.from, clock),
    to: formatMoment(step.to, clock),
    price: step.price === null ? null : formatAmount(step.price, plan.currency),
    promotion: step.promotion,
  }));
  print(JSON.stringify(steps));
}
