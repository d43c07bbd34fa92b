import type { Person, Waiting } from '../../contracts/index.ts';
import { isSubmitted } from '../people/index.ts';
import type { Proposal } from '../ports/index.ts';

/** How what waits beside a promotion is told. */
export function waitingView(proposal: Proposal | null, person: Person): Waiting | null {
  if (!proposal) return null;
  const { document, writtenBy, submittedBy, returned, approvedBy } = proposal;
  return {
    state: isSubmitted(proposal) ? 'submitted' : returned ? 'sent-back' : 'written',
    change: document !== null,
    by: submittedBy ?? writtenBy,
    first: approvedBy === null ? null : approvedBy === person.id ? 'you' : 'another',
    reason: returned ? `${returned.by}: ${returned.reason}` : null,
  };
}
