import { formatMoment } from '../../src/core/calendar/index.ts';
import { formatAmount } from '../../src/core/money/index.ts';
import { findOverlaps, sayFinding } from '../../src/core/overlaps/index.ts';
import { compile } from '../../src/core/price-book/index.ts';
import { readArguments, refuse } from './arguments.ts';
import { readPlanFile } from './plan-file.ts';
import { momentOf } from './question.ts';

/** So many items are told; how many there are says `itemCount`. */
const MOST_ITEMS = 100;

/** `belltag overlaps PLAN [--from T --to T]`: JSON Lines, one per finding, by code and then ids. */
export function overlaps(words: readonly string[], print: (line: string) => void): void {
  const args = readArguments(words, ['from', 'to']);
  const plan = readPlanFile(args.positional[0]);
  const compiled = compile(plan);
  const clockAt = (store: string | undefined) =>
    compiled.clockOf(compiled.stores.get(store ?? '') ?? plan.stores[0] ?? { timeZone: 'UTC' });
  const clock = clockAt(undefined);
  const span = {
    ...(args.options.has('from') ? { from: momentOf(args, 'from', clock) } : {}),
    ...(args.options.has('to') ? { to: momentOf(args, 'to', clock) } : {}),
  };
  if (span.from !== undefined && span.to !== undefined && span.to <= span.from)
    refuse(['--to'], 'the end is not after the start', 'an end after --from');
  for (const finding of findOverlaps(compiled, span)) {
    const { code, promotions, items, stores, from, to, amount } = finding;
    const wall = clockAt(stores[0]);
    print(
      JSON.stringify({
        code,
        promotions,
        items: items.slice(0, MOST_ITEMS),
        itemCount: items.length,
        stores,
        from: formatMoment(from, wall),
        to: to === null ? null : formatMoment(to, wall),
        ...(amount === null ? {} : { amount: formatAmount(amount, plan.currency) }),
        message: sayFinding(compiled, finding),
      }),
    );
  }
}
