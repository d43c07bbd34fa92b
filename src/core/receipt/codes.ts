import { normalCode, normalCodes } from '../codes/index.ts';
import type { Promotion } from '../plan/index.ts';
import { barOf, type CompiledPlan, type Placed, type Situation } from '../price-book/index.ts';
import type { LostReason } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import { codeKey, shopperKey } from './use-keys.ts';

export const CODE_REASONS = [
  'unknown',
  'used-up',
  'switched-off',
  'not-started',
  'over',
  'not-here',
] as const;
export type CodeReason = (typeof CODE_REASONS)[number];

export interface CheckedCode {
  readonly code: string;
  /** Null: accepted. */
  readonly reason: CodeReason | null;
}

export interface CheckedCodes {
  readonly codes: readonly CheckedCode[];
  /** Promotions whose code is held. */
  readonly holding: ReadonlySet<string>;
  /** Promotions that were used as often as they may be, by anyone or by this shopper. */
  readonly usedUp: ReadonlySet<string>;
}

/** Pricing rules 4.5: which codes count, and which promotions have been used as often as they may be. */
export function checkCodes(basket: Basket, compiled: CompiledPlan, situation: Situation): CheckedCodes {
  const placed: Placed[] = [...compiled.changes, ...compiled.offers];
  const usedUp = new Set(
    placed.filter(({ promotion }) => isUsedUp(promotion, basket)).map(({ promotion }) => promotion.id),
  );
  const holding = new Set<string>();
  const codes = basket.codes.map((code): CheckedCode => {
    const normal = normalCode(code);
    const owners = placed.filter(({ promotion }) => normalCodes(promotion.codes).has(normal));
    const reasons = owners.map((owner) => reasonAgainst(owner, code, basket, situation, usedUp));
    owners.forEach(({ promotion }, i) => {
      if (reasons[i] === null) holding.add(promotion.id);
    });
    if (owners.length === 0) return { code, reason: 'unknown' };
    return { code, reason: reasons.includes(null) ? null : reasons[0]! };
  });
  return { codes, holding, usedUp };
}

const usesOf = (basket: Basket, key: string): number => basket.usesSoFar.get(key) ?? 0;

function isUsedUp({ id, uses }: Promotion, basket: Basket): boolean {
  if (uses.inAll !== null && usesOf(basket, id) >= uses.inAll) return true;
  const { shopper } = basket;
  if (uses.perShopper === null || shopper.kind === 'guest' || shopper.id === null) return false;
  return usesOf(basket, shopperKey(id, shopper.id)) >= uses.perShopper;
}

function reasonAgainst(
  owner: Placed,
  code: string,
  basket: Basket,
  situation: Situation,
  usedUp: ReadonlySet<string>,
): CodeReason | null {
  const { id, uses } = owner.promotion;
  const bar = barOf(owner, { ...situation, holding: new Set([id]) });
  if (bar !== null) return codeReason(bar);
  if (usedUp.has(id)) return 'used-up';
  return uses.perCode !== null && usesOf(basket, codeKey(code)) >= uses.perCode ? 'used-up' : null;
}

function codeReason(bar: LostReason): CodeReason {
  switch (bar) {
    case 'switched-off':
    case 'not-started':
    case 'over':
      return bar;
    default:
      return 'not-here';
  }
}
