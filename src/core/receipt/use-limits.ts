import type { Promotion } from '../plan/index.ts';
import { codeKey, shopperKey, unitsKey, unitsOfCodeKey } from './use-keys.ts';

/** A limit of a promotion as it is counted over all receipts (pricing rules 4.5). */
export interface UseLimit {
  /** As a basket tells its uses so far. */
  readonly key: string;
  readonly most: number;
  /** One receipt is one use; units are those that it reduces or uses. */
  readonly of: 'receipts' | 'units';
}

/**
 * In all, and of one shopper.
 * @param who as limits count them; null: nobody knows who it is.
 */
export function limitsOf(promotion: Promotion, who: string | null): UseLimit[] {
  const { inAll, perShopper, unitsInAll, unitsPerShopper } = promotion.uses;
  // Nearly all promotions have none, and every basket asks all of them.
  if (inAll === null && perShopper === null && unitsInAll === null && unitsPerShopper === null) return [];
  const { id } = promotion;
  return [
    ...present([
      { key: id, most: inAll, of: 'receipts' },
      { key: unitsKey(id), most: unitsInAll, of: 'units' },
    ]),
    ...(who === null ? [] : shopperLimitsOf(promotion, who)),
  ];
}

/** Of one shopper, as limits count them. */
export function shopperLimitsOf({ id, uses }: Promotion, who: string): UseLimit[] {
  const own = shopperKey(id, who);
  return present([
    { key: own, most: uses.perShopper, of: 'receipts' },
    { key: unitsKey(own), most: uses.unitsPerShopper, of: 'units' },
  ]);
}

/** Of one shared code. */
export const codeLimitsOf = ({ id, uses }: Promotion, code: string): UseLimit[] =>
  present([
    { key: codeKey(code), most: uses.perCode, of: 'receipts' },
    { key: unitsOfCodeKey(id, code), most: uses.unitsPerCode, of: 'units' },
  ]);

const present = (
  limits: readonly (Omit<UseLimit, 'most'> & { readonly most: number | null })[],
): UseLimit[] => limits.flatMap(({ most, ...limit }) => (most === null ? [] : [{ ...limit, most }]));
