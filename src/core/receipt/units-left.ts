import { normalCode } from '../codes/index.ts';
import type { Promotion } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { countedAs } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import type { CheckedCode } from './codes.ts';
import { codeLimitsOf, limitsOf } from './use-limits.ts';
import { NONE_VOUCHED } from './vouched-code.ts';

/** How many more units of a basket each promotion may reduce or use, by id; one that is not here as many as one likes. */
export type UnitsLeft = ReadonlyMap<string, number>;

export const NO_UNIT_LIMITS: UnitsLeft = new Map();

/** Pricing rules 4.5: what limits in units leave for a basket. Whoever is not known is a shopper of this basket alone. */
export function unitsLeft(compiled: CompiledPlan, basket: Basket, codes: readonly CheckedCode[]): UnitsLeft {
  const limited = [...compiled.changes, ...compiled.offers]
    .map(({ promotion }) => promotion)
    .filter(
      ({ uses }) => uses.unitsInAll !== null || uses.unitsPerShopper !== null || uses.unitsPerCode !== null,
    );
  if (limited.length === 0) return NO_UNIT_LIMITS;
  return new Map(limited.map((promotion) => [promotion.id, leftOf(promotion, basket, codes)]));
}

function leftOf(promotion: Promotion, basket: Basket, codes: readonly CheckedCode[]): number {
  const { id, uses } = promotion;
  const who = countedAs(basket.shopper);
  const said = codes.find(({ opens }) => opens.includes(id))?.code ?? null;
  const single = said !== null && typeof (basket.vouched ?? NONE_VOUCHED).get(normalCode(said)) === 'object';
  const counted = [
    ...limitsOf(promotion, who),
    ...(said === null || single ? [] : codeLimitsOf(promotion, said)),
  ]
    .filter(({ of }) => of === 'units')
    .map(({ key, most }) => most - (basket.usesSoFar.get(key) ?? 0));
  const here = [who === null ? uses.unitsPerShopper : null, single ? uses.unitsPerCode : null];
  return Math.max(0, Math.min(...counted, ...here.map((most) => most ?? Number.POSITIVE_INFINITY)));
}
