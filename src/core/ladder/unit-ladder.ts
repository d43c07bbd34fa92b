import { halfAwayFromZero, type MinorUnits, minorUnits, ratio } from '../money/index.ts';
import { type CompiledPlan, DEFAULT_CHANNEL, type PriceQuestion } from '../price-book/index.ts';
import { type Basket, ringBasket } from '../receipt/index.ts';

/** What so many units of one item come to, with nothing else in the basket. */
export interface LadderStep {
  readonly quantity: number;
  readonly goods: MinorUnits;
  /** Goods by quantity, rounded half away from zero. */
  readonly each: MinorUnits;
  /** The deals and rewards that were given for it, by id. */
  readonly promotions: readonly string[];
}

/**
 * What one, two, three … units of an item cost, up to `most`; an item that is weighed goes by its unit of measure.
 * @returns nothing where the item cannot be sold there and then.
 */
export function unitLadder(compiled: CompiledPlan, question: PriceQuestion, most: number): LadderStep[] {
  const steps: LadderStep[] = [];
  for (let quantity = 1; quantity <= most; quantity++) {
    const receipt = ringBasket(compiled, basketOf(question, quantity), null, { nearly: false });
    if (receipt.problems.some(({ line }) => line === 0)) return [];
    const given = [
      ...receipt.applications,
      ...receipt.rewards,
      ...receipt.lines.flatMap(({ reductions }) => reductions),
    ];
    steps.push({
      quantity,
      goods: minorUnits(receipt.goods),
      each: minorUnits(Number(halfAwayFromZero(ratio(receipt.goods, quantity)))),
      promotions: [...new Set(given.map(({ promotion }) => promotion))].sort(),
    });
  }
  return steps;
}

function basketOf({ sku, store, at, shopper, channel, terminal }: PriceQuestion, quantity: number): Basket {
  const known = shopper.kind === 'shopper';
  return {
    id: null,
    store,
    at,
    channel: channel ?? DEFAULT_CHANNEL,
    terminal: terminal ?? null,
    shopper,
    history: known ? { pastOrders: 0, lifetimeSpend: minorUnits(0) } : null,
    codes: [],
    usesSoFar: new Map(),
    payment: null,
    delivery: null,
    region: null,
    postcode: null,
    linkTag: null,
    lines: [{ sku, thousandths: quantity * 1_000 }],
  };
}
