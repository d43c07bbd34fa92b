import { dayOf } from '../calendar/index.ts';
import { normalCode, normalCodes } from '../codes/index.ts';
import type { Promotion } from '../plan/index.ts';
import { barOf, type CompiledPlan, type Placed, type Situation } from '../price-book/index.ts';
import { countedAs, type LostReason } from '../tag-price/index.ts';
import type { Basket } from './basket.ts';
import { codeLimitsOf, limitsOf, type UseLimit } from './use-limits.ts';
import { type BatchCode, NONE_VOUCHED } from './vouched-code.ts';

export const CODE_REASONS = [
  'unknown',
  'used-up',
  'switched-off',
  'not-started',
  'over',
  'not-here',
  'withdrawn',
  'unchecked',
  'slowed',
] as const;
export type CodeReason = (typeof CODE_REASONS)[number];

export interface CheckedCode {
  readonly code: string;
  /** Null: accepted. */
  readonly reason: CodeReason | null;
  /** Promotions that it opens here. */
  readonly opens: readonly string[];
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
    const known = (basket.vouched ?? NONE_VOUCHED).get(normal);
    const single = typeof known === 'object' ? known : null;
    const owners = placed.filter(({ promotion }) => isOf(promotion, normal, single));
    const reasons = owners.map((owner) => {
      const own = ownBatch(owner.promotion, single);
      const bar = reasonAgainst(owner, situation, usedUp);
      if (bar !== null) return bar;
      if (own) return batchReason(own, basket, situation);
      return codeLimitsOf(owner.promotion, code).some((limit) => isReached(limit, basket)) ? 'used-up' : null;
    });
    const opens = owners.flatMap(({ promotion }, i) => (reasons[i] === null ? [promotion.id] : []));
    for (const id of opens) holding.add(id);
    // A code of a batch whose promotion is not among those of this till is good elsewhere.
    const none = single ? 'not-here' : typeof known === 'string' ? known : 'unknown';
    return { code, opens, reason: opens.length > 0 ? null : (reasons[0] ?? none) };
  });
  return { codes, holding, usedUp };
}

const usesOf = (basket: Basket, key: string): number => basket.usesSoFar.get(key) ?? 0;

const isReached = ({ key, most }: UseLimit, basket: Basket): boolean => usesOf(basket, key) >= most;

const isUsedUp = (promotion: Promotion, basket: Basket): boolean =>
  limitsOf(promotion, countedAs(basket.shopper)).some((limit) => isReached(limit, basket));

/** A code that the promotion lists, or one of its batches. */
const isOf = (promotion: Promotion, normal: string, single: BatchCode | null): boolean =>
  normalCodes(promotion.codes).has(normal) || ownBatch(promotion, single) !== null;

const ownBatch = ({ id, codeBatches }: Promotion, single: BatchCode | null): BatchCode | null =>
  codeBatches && single?.promotion === id ? single : null;

function reasonAgainst(owner: Placed, situation: Situation, usedUp: ReadonlySet<string>): CodeReason | null {
  const { id } = owner.promotion;
  const bar = barOf(owner, { ...situation, holding: new Set([id]) });
  if (bar !== null) return codeReason(bar);
  return usedUp.has(id) ? 'used-up' : null;
}

function batchReason(
  { key, from, to, withdrawn, test }: BatchCode,
  basket: Basket,
  { clock, at }: Situation,
): CodeReason | null {
  const day = dayOf(clock.toWall(at));
  if (withdrawn) return 'withdrawn';
  if (from !== null && day < from) return 'not-started';
  if (to !== null && day > to) return 'over';
  return !test && usesOf(basket, key) > 0 ? 'used-up' : null;
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
