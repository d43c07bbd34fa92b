import { breakEven, costUnder, marginOf } from '../consequences/index.ts';
import { type MinorUnits, minorUnits } from '../money/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Basket, type Receipt, ringBasket } from '../receipt/index.ts';
import type { SampleBasket } from './sample-baskets.ts';

/** What a deal, with nothing else beside it, makes of a sample basket. */
export interface DealStep extends SampleBasket {
  /** At the tags, and with the deal. */
  readonly before: MinorUnits;
  readonly after: MinorUnits;
  /** Of all that leaves the shelf, gifts too; null where one has no cost. */
  readonly cost: MinorUnits | null;
  readonly marginBefore: number | null;
  readonly marginAfter: number | null;
  /** How many times as many such baskets must be sold to earn the same, in hundredths. */
  readonly breakEven: number | null;
  /** What each unit comes to, in the order of the lines; null where there are too many to be read. */
  readonly split:
    | readonly { readonly sku: string; readonly paid: MinorUnits; readonly gift: boolean }[]
    | null;
  readonly delivery: { readonly before: MinorUnits; readonly after: MinorUnits } | null;
}

/** A split of more units is no reading matter. */
const MOST_SPLIT = 24;

/** @param alone the plan with the deal as its only offer over the basket. */
export function dealStep(
  alone: CompiledPlan,
  promotion: Promotion,
  circumstances: Basket,
  sample: SampleBasket,
): DealStep {
  const units = sample.lines.reduce((sum, { quantity }) => sum + quantity, 0);
  const single = units <= MOST_SPLIT;
  const lines = single
    ? sample.lines.flatMap(({ sku, quantity }) =>
        Array.from({ length: quantity }, () => ({ sku, thousandths: 1_000 })),
      )
    : sample.lines.map(({ sku, quantity }) => ({ sku, thousandths: quantity * 1_000 }));
  const receipt = ringBasket(alone, { ...circumstances, lines }, null, { nearly: false });
  const before = receipt.lines.reduce((sum, line) => sum + (line.gift ? 0 : tagWorth(line)), 0) as MinorUnits;
  const after = receipt.goods as MinorUnits;
  const cost = costOf(alone, promotion, receipt.lines);
  const costBefore = costOf(
    alone,
    promotion,
    receipt.lines.filter(({ gift }) => !gift),
  );
  return {
    ...sample,
    before,
    after,
    cost,
    marginBefore: marginOf(before, costBefore),
    marginAfter: marginOf(after, cost),
    breakEven: timesToEarn(before, costBefore, after, cost),
    split: single ? splitOf(receipt) : null,
    delivery: receipt.delivery && {
      before: receipt.delivery.charge as MinorUnits,
      after: receipt.delivery.net as MinorUnits,
    },
  };
}

const tagWorth = ({ tag, thousandths }: Receipt['lines'][number]): number =>
  Math.round((tag * thousandths) / 1_000);

const splitOf = ({ lines }: Receipt): DealStep['split'] =>
  lines.flatMap(({ sku, net, gift, thousandths }) =>
    Array.from({ length: gift ? thousandths / 1_000 : 1 }, () => ({ sku, paid: net as MinorUnits, gift })),
  );

/** How many times as many such baskets earn what they earned without the deal, whose gifts cost something too. */
function timesToEarn(
  before: MinorUnits,
  costBefore: MinorUnits | null,
  after: MinorUnits,
  cost: MinorUnits | null,
): number | null {
  if (cost === null || costBefore === null) return null;
  return breakEven(minorUnits(before - costBefore), minorUnits(after - cost), minorUnits(0));
}

function costOf(
  { catalogue }: CompiledPlan,
  { supplier }: Promotion,
  lines: Receipt['lines'],
): MinorUnits | null {
  let sum = 0;
  for (const { sku, thousandths } of lines) {
    const cost = costUnder(supplier, catalogue.items[catalogue.indexOf.get(sku)!]!);
    if (cost === null) return null;
    sum += Math.round((cost * thousandths) / 1_000);
  }
  return sum as MinorUnits;
}
