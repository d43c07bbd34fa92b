import {
  done,
  failed,
  invalid,
  type ManyAction,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type {
  HistoryEntry,
  PlanBook,
  PromotionSave,
  PromotionStore,
  Proposal,
  WorkRulesStore,
} from '../ports/index.ts';
import { changeMany, MANY_NEEDS, MANY_WORDS } from './change-many.ts';
import { proposalAfter } from './step-promotion.ts';

type Ports = { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore };

/** Takes back what somebody just did to many promotions, as long as nobody has done anything to them since. */
export async function undoMany(
  ports: Ports,
  person: Person,
  request: {
    readonly ids: readonly string[];
    readonly action: ManyAction;
    readonly days: number;
    readonly store: string;
  },
  now: Instant,
): Promise<Outcome<{ changed: number }>> {
  const { ids, action, days } = request;
  if (!may(person, MANY_NEEDS[action])) return failed({ kind: 'forbidden' });
  if (action === 'move') return changeMany(ports, person, { ...request, days: -days }, now, () => '');
  const saves: PromotionSave[] = [];
  for (const id of ids) {
    const found = await ports.promotions.find(id);
    if (!found) return failed({ kind: 'not-found', what: `promotion ${id}` });
    const history = await ports.promotions.history(id);
    const [newest] = history;
    const words = action === 'again' ? MANY_WORDS.again : MANY_WORDS[action];
    if (newest?.personId !== person.id || newest.action !== words)
      return invalid([], `“${found.promotion.name}” was changed since`, 'what you did last');
    const { promotion, revision } = found;
    const save = { revision, action: 'undone' };
    if (action === 'again')
      saves.push({ ...save, promotion: { ...promotion, status: 'archived' }, proposal: null });
    else if (action === 'submit') {
      const next = proposalAfter(found, person, { step: 'take-back', reason: '', now: '' });
      if ('proposal' in next) saves.push({ ...save, promotion, proposal: next.proposal });
    } else if (newest.before)
      saves.push({
        ...save,
        promotion: newest.before,
        ...(action === 'approve' ? { proposal: submissionBefore(history) } : {}),
      });
  }
  const result = await ports.promotions.saveAll(saves, person.id);
  return result.kind === 'saved'
    ? done({ changed: saves.length })
    : failed({ kind: 'conflict', code: 'one-saved', id: result.id, undoing: true });
}

/** What was submitted before the approval that is taken back: nobody's change is lost by that. */
function submissionBefore([approval, ...earlier]: readonly HistoryEntry[]): Proposal | null {
  const submitted = earlier.find(({ action }) => action === MANY_WORDS.submit);
  if (!submitted?.personId || !approval) return null;
  const standing = approval.before?.status !== 'draft';
  return {
    document: standing ? approval.after : null,
    writtenBy: submitted.personId,
    submittedBy: submitted.personId,
    submittedAt: submitted.at,
    approvedBy: null,
    returned: null,
  };
}
