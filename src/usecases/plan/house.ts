import { isDeepStrictEqual } from 'node:util';
import { brokenRuleWords, type Person } from '../../contracts/index.ts';
import { brokenRules, deepestCut, type HouseRules } from '../../core/house-rules/index.ts';
import { type Fault, type PromotionDocument, readPromotion } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { approved, isStanding, type Refusing } from '../people/index.ts';
import type { Proposal, StoredPromotion, WorkRules } from '../ports/index.ts';

/** What is against the rules of the house. Dates that were approved under other rules are left alone. */
export function houseFaults(
  next: PromotionDocument,
  live: PromotionDocument | null,
  house: HouseRules,
): Fault[] {
  if (live && isStanding(live) && isDeepStrictEqual(live.when, next.when)) return [];
  return brokenRules(next.when, house).map((broken) => ({
    path: ['when', 'to'],
    ...brokenRuleWords(broken),
  }));
}

/** Whether a promotion takes so much off that two have to approve it. */
export const needsTwo = (
  compiled: CompiledPlan,
  promotion: PromotionDocument,
  { secondFrom }: HouseRules,
): boolean =>
  secondFrom !== null && deepestCut(compiled, readPromotion(promotion, compiled.plan.currency)) > secondFrom;

export type Approval =
  /** It counts from now on. */
  | { readonly promotion: PromotionDocument }
  /** It waits for the second one. */
  | { readonly first: Proposal };

/** What the approval of a person makes of a promotion, by the rules of the house. */
export function approvalOf(
  found: StoredPromotion,
  person: Person,
  rules: WorkRules,
  compiled: CompiledPlan,
): Approval | Refusing {
  const next = approved(found, person, rules);
  if ('fault' in next || !needsTwo(compiled, next.promotion, rules.house)) return next;
  const { proposal, updatedBy } = found;
  const first = proposal?.approvedBy ?? null;
  if (first === person.id)
    return { fault: 'was approved by you already, and takes two', wanted: 'somebody else who approves' };
  if (first !== null) return next;
  const begun: Proposal = proposal ?? {
    ...{ document: null, submittedBy: null, submittedAt: null, returned: null },
    ...{ approvedBy: null, writtenBy: updatedBy ?? person.id },
  };
  return { first: { ...begun, approvedBy: person.id } };
}
