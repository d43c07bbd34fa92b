import { findLoopholes, type Loophole } from '../../src/core/loopholes/index.ts';
import { formatAmount, type MinorUnits } from '../../src/core/money/index.ts';
import { compile, DEFAULT_CHANNEL } from '../../src/core/price-book/index.ts';
import { standIns } from '../../src/core/receipt/index.ts';
import { one, optional, readArguments, refuse } from './arguments.ts';
import { readPlanFile } from './plan-file.ts';
import { momentOf, placeOf, shopperOf } from './question.ts';

const UNITS = 12;
const MOST_UNITS = 40;
/** Nobody reads more. */
const MOST_FOUND = 100;

/**
 * `belltag loopholes PLAN --store S --at T [--units N] [--group G]… [--shopper ID] [--code C]… [--payment P]`: JSON Lines, the baskets
 * that leave the least, and last how far was looked.
 */
export function loopholes(words: readonly string[], print: (line: string) => void): void {
  const args = readArguments(words, ['store', 'at', 'units', 'group', 'shopper', 'code', 'payment']);
  const plan = readPlanFile(args.positional[0]);
  const compiled = compile(plan);
  const { store, clock } = placeOf(args, compiled);
  const shopper = shopperOf(args, compiled);
  const payment = optional(args, 'payment') ?? null;
  const codes = args.options.get('code') ?? [];
  const circumstances = {
    ...{
      id: null,
      store: store.id,
      at: momentOf(args, 'at', clock),
      channel: DEFAULT_CHANNEL,
      terminal: null,
    },
    ...{ shopper, history: null, codes, usesSoFar: new Map(), payment, delivery: null },
    vouched: standIns(plan.promotions),
    ...{ region: null, postcode: null, linkTag: null, lines: [] },
  };
  const { found, looked } = findLoopholes(compiled, {
    circumstances,
    units: unitsOf(optional(args, 'units')),
  });
  const money = (amount: number): string =>
    `${amount < 0 ? '-' : ''}${formatAmount(Math.abs(amount) as MinorUnits, plan.currency)}`;
  const basketOf = ({ basket }: Loophole) => ({
    store: store.id,
    at: one(args, 'at'),
    ...(shopper.kind === 'guest' ? {} : { shopper: { groups: shopper.groups } }),
    ...(basket.codes.length > 0 ? { codes: basket.codes } : {}),
    ...(payment === null ? {} : { payment }),
    lines: basket.lines.map(({ sku, thousandths }) => ({ sku, quantity: thousandths / 1_000 })),
  });
  for (const loophole of found.slice(0, MOST_FOUND)) {
    const { margin, goods, cost, units, promotions } = loophole;
    print(
      JSON.stringify({
        ...{ margin: money(margin), goods: money(goods), cost: money(cost), units, promotions },
        basket: basketOf(loophole),
      }),
    );
  }
  const { bound, ...rest } = looked;
  print(JSON.stringify({ looked: { ...rest, ...(bound === null ? {} : { bound: money(bound) }) } }));
}

function unitsOf(text: string | undefined): number {
  if (text === undefined) return UNITS;
  if (!/^\d{1,2}$/.test(text) || Number(text) === 0 || Number(text) > MOST_UNITS)
    refuse(['--units'], `"${text}" is no number of units`, `a whole number from 1 to ${MOST_UNITS}`);
  return Number(text);
}
