import { isDeepStrictEqual } from 'node:util';
import { may, type Person } from '../../contracts/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { Proposal, StoredPromotion, WorkRules } from '../ports/index.ts';

/** What may be said otherwise at any time, as it prices nothing. */
const FREE = ['name', 'notes', 'badge', 'label'] as const;
type Free = (typeof FREE)[number];

/** A promotion with the free words of another state of it. */
export function withFreeOf(promotion: PromotionDocument, of: PromotionDocument): PromotionDocument {
  const rest = priced(promotion);
  const free = Object.fromEntries(FREE.flatMap((key) => (of[key] === undefined ? [] : [[key, of[key]]])));
  return { ...rest, ...(free as Pick<PromotionDocument, Free>), status: promotion.status };
}

/** Without its free words and its state. */
function priced(promotion: PromotionDocument): Omit<PromotionDocument, Free | 'status'> {
  const { name: _, notes: __, badge: ___, label: ____, status: _____, ...rest } = promotion;
  return rest;
}

/** Whether two states of a promotion price the same, whatever they are called. */
export const pricesAlike = (a: PromotionDocument, b: PromotionDocument): boolean =>
  isDeepStrictEqual(priced(a), priced(b));

/** What was approved once and is switched on, or may be so again at any time. */
export const isStanding = ({ status }: PromotionDocument): boolean =>
  status === 'approved' || status === 'paused';

/** Whoever may approve where nobody else has to changes what stands at once. */
export const changesAtOnce = (person: Person, rules: WorkRules): boolean =>
  may(person, 'approve') && !rules.another;

export type Refusing = { readonly fault: string; readonly wanted: string };

/** What an approval makes of a promotion: its waiting change put in its place, or the draft switched on. */
export function approved(
  { promotion, proposal, updatedBy }: StoredPromotion,
  person: Person,
  rules: WorkRules,
): { readonly promotion: PromotionDocument } | Refusing {
  const change = proposal?.document ?? null;
  if (!change && promotion.status !== 'draft')
    return { fault: `is ${promotion.status}`, wanted: 'a draft, or a promotion with a change that waits' };
  if (rules.another && !isSubmitted(proposal))
    return { fault: 'was not submitted for approval', wanted: 'one that was' };
  if (rules.another && writers(proposal, updatedBy).includes(person.id))
    return { fault: 'was written or submitted by you', wanted: 'somebody else who approves' };
  if (!change) return { promotion: { ...promotion, status: 'approved' } };
  return { promotion: { ...withFreeOf(change, promotion), status: promotion.status } };
}

export const isSubmitted = (proposal: Proposal | null): boolean => (proposal?.submittedBy ?? null) !== null;

const writers = (proposal: Proposal | null, updatedBy: string | null): (string | null)[] => [
  proposal?.submittedBy ?? null,
  proposal ? proposal.writtenBy : updatedBy,
];
