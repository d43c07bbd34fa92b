import type { Item, Plan, PriceChange } from '../plan/index.ts';

/** Many prices in minor units; {@link NO_PRICE} where there is none. */
export type Amounts = Int32Array | Float64Array;

/** Where an item cannot be sold. */
export const NO_PRICE = -1;

/** What 32 bits hold. Half the bytes are written in half the time, and hardly a currency needs more. */
const NARROW = 2 ** 31 - 1;

export const amounts = (length: number, wide: boolean): Amounts =>
  wide ? new Float64Array(length) : new Int32Array(length);

/** The largest amount that any price may start from: regular prices, costs and price lists. */
export function largestStart({ items, priceLists }: Pick<Plan, 'items' | 'priceLists'>): number {
  let shelf = 0;
  for (const item of items) shelf = Math.max(shelf, largestOf(item));
  let largest = shelf;
  for (const { percent, rounding, prices } of priceLists) {
    for (const price of prices.values()) largest = Math.max(largest, price);
    largest = Math.max(largest, (shelf * (10_000 + (percent ?? 0))) / 10_000 + slackOf(rounding));
  }
  return largest;
}

function largestOf({ prices: { chain, zones, stores }, cost }: Item): number {
  let largest: number = cost ?? 0;
  const look = (rows: Item['prices']['chain']) => {
    for (const { price } of rows) largest = Math.max(largest, price);
  };
  look(chain);
  zones.forEach(look);
  stores.forEach(look);
  return largest;
}

/** Whether what a change makes of amounts up to `largest` may be more than 32 bits hold. */
export function mayBeWide({ formula, rounding, linePrices }: PriceChange, largest: number): boolean {
  const places = [linePrices.everywhere, ...linePrices.zones.values(), ...linePrices.stores.values()];
  if (places.some((prices) => [...prices.values()].some(isWide))) return true;
  return isWide(largest * factorOf(formula) + amountOf(formula) + slackOf(rounding));
}

export const isWide = (largest: number): boolean => largest > NARROW;

function factorOf(formula: PriceChange['formula']): number {
  switch (formula?.kind) {
    case 'multiplyBy':
      return Math.max(1, formula.millionths / 1_000_000);
    case 'addPercent':
      return (10_000 + formula.percent) / 10_000;
    case 'marginOnPrice':
      return 10_000 / (10_000 - formula.percent);
    default:
      return 1;
  }
}

const amountOf = (formula: PriceChange['formula']): number =>
  formula?.kind === 'setTo' ? formula.amount : 0;

/** How far a rounding may lift an amount. */
const slackOf = (rounding: PriceChange['rounding']): number =>
  !rounding ? 1 : rounding.kind === 'step' ? rounding.step : 2 * rounding.per;
