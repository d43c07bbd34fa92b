import {
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type PromotionStep,
} from '../../contracts/index.ts';
import { isSubmitted } from '../people/index.ts';
import type { PlanBook, PromotionStore, Proposal, StoredPromotion, WorkRulesStore } from '../ports/index.ts';
import { houseFaults } from './house.ts';
import { saved } from './save-promotion.ts';
import { approve, foreignTo } from './set-promotion-status.ts';

type Ports = { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore };

interface StepRequest {
  readonly id: string;
  readonly step: PromotionStep;
  /** Why it is sent back. */
  readonly reason: string;
  readonly revision: number;
}

/**
 * One step on the way to approval: submits a draft or a waiting change, takes that back, approves it, sends it back
 * with a reason, or drops a waiting change. What stands goes on in the meantime.
 */
export async function stepPromotion(
  ports: Ports,
  person: Person,
  { id, step, reason, revision }: StepRequest,
  now: string,
): Promise<Outcome<{ revision: number }>> {
  if (!may(person, step === 'send-back' || step === 'approve' ? 'approve' : 'plan'))
    return failed({ kind: 'forbidden' });
  const found = await ports.promotions.find(id);
  if (!found) return failed({ kind: 'not-found', what: `promotion ${id}` });
  const foreign = await foreignTo(ports, person, found);
  if (foreign) return foreign;
  if (step === 'approve') return approve(ports, person, found, revision);
  if (step === 'submit') {
    const { house } = await ports.rules.current();
    const faults = houseFaults(found.proposal?.document ?? found.promotion, found.promotion, house);
    if (faults.length > 0) return failed({ kind: 'invalid', faults });
  }
  const next = proposalAfter(found, person, { step, reason, now });
  if ('fault' in next) return invalid(next.path ?? [], next.fault, next.wanted);
  return saved(
    await ports.promotions.save(found.promotion, revision, {
      person: person.id,
      action: ACTIONS[step],
      proposal: next.proposal,
    }),
  );
}

/** As the history tells it. */
const ACTIONS: Readonly<Record<Exclude<PromotionStep, 'approve'>, string>> = {
  submit: 'submitted',
  'take-back': 'submission taken back',
  'send-back': 'sent back',
  drop: 'change dropped',
};

type Next =
  | { readonly proposal: Proposal | null }
  | { readonly fault: string; readonly wanted: string; readonly path?: string[] };

const NOT_SUBMITTED = { submittedBy: null, submittedAt: null, approvedBy: null };

/** What waits after a step; or why it cannot be taken. */
export function proposalAfter(
  { promotion, proposal, updatedBy }: StoredPromotion,
  person: Person,
  { step, reason, now }: { step: Exclude<PromotionStep, 'approve'>; reason: string; now: string },
): Next {
  const change = proposal?.document ?? null;
  switch (step) {
    case 'submit':
      if (!change && promotion.status !== 'draft')
        return { fault: 'nothing waits to be submitted', wanted: 'a draft, or a change of what stands' };
      if (isSubmitted(proposal)) return { fault: 'it is submitted already', wanted: 'one that is not' };
      return {
        proposal: {
          document: change,
          writtenBy: change ? proposal!.writtenBy : (updatedBy ?? person.id),
          submittedBy: person.id,
          submittedAt: now,
          approvedBy: null,
          returned: null,
        },
      };
    case 'take-back':
      if (!isSubmitted(proposal)) return { fault: 'it is not submitted', wanted: 'one that is' };
      return { proposal: change ? { ...proposal!, ...NOT_SUBMITTED } : null };
    case 'send-back':
      if (!isSubmitted(proposal)) return { fault: 'it is not submitted', wanted: 'one that is' };
      if (reason.trim() === '')
        return {
          path: ['reason'],
          fault: 'nothing stands here',
          wanted: 'a word on what should be otherwise',
        };
      return {
        proposal: {
          ...proposal!,
          ...NOT_SUBMITTED,
          returned: { by: person.name, reason: reason.trim() },
        },
      };
    case 'drop':
      if (!change) return { fault: 'no change waits', wanted: 'a promotion with a change that waits' };
      return { proposal: null };
  }
}
