import { parseThousandths } from '../money/index.ts';
import type { Conditions } from '../plan/index.ts';
import type { Catalogue } from '../selection/index.ts';
import type { Basket } from './basket.ts';
import type { PricedLine } from './priced-lines.ts';

/** Thousandths of a kilogram. A weighed line is one unit of its line's weight; goods of unknown weight weigh nothing. */
export interface Weights {
  readonly whole: number;
  readonly heaviest: number;
}

export function weightsOf(lines: readonly PricedLine[], catalogue: Catalogue): Weights {
  let whole = 0;
  let heaviest = 0;
  for (const { sold, weighed, thousandths } of lines) {
    if (!sold.ok) continue;
    const { unit = 'each', weight } = catalogue.items[sold.item]!;
    const grams = weight === undefined ? (unit === 'kg' ? 1_000 : 0) : parseThousandths(weight)!;
    const line = Math.round((grams * thousandths) / 1_000);
    whole += line;
    heaviest = Math.max(heaviest, weighed ? line : grams);
  }
  return { whole, heaviest };
}

/**
 * Pricing rules 4.3: all that is asked must hold. A guest fails what is asked about past orders and spend.
 * @param weights null: not known yet, so that what is asked about them may hold.
 */
export function conditionsHold(conditions: Conditions, basket: Basket, weights: Weights | null): boolean {
  const { history } = basket;
  const among = (wanted: readonly string[] | null, value: string | null | undefined) =>
    wanted === null || (value != null && wanted.includes(value));
  const { minPastOrders, maxPastOrders, minLifetimeSpend, minWeight, maxWeight, postcodes } = conditions;
  return (
    among(conditions.payments, basket.payment) &&
    among(conditions.deliveries, basket.delivery?.way) &&
    among(conditions.regions, basket.region) &&
    among(conditions.linkTags, basket.linkTag) &&
    (postcodes === null || postcodes.some((start) => basket.postcode?.startsWith(start))) &&
    (weights === null || minWeight === null || weights.whole >= minWeight) &&
    (weights === null || maxWeight === null || weights.whole <= maxWeight) &&
    (minPastOrders === null || (history !== null && history.pastOrders >= minPastOrders)) &&
    (maxPastOrders === null || (history !== null && history.pastOrders <= maxPastOrders)) &&
    (minLifetimeSpend === null || (history !== null && history.lifetimeSpend >= minLifetimeSpend))
  );
}
