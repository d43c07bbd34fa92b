import { failed, invalid, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { PromotionStatus } from '../../core/plan/index.ts';
import { isStanding, notTheirs } from '../people/index.ts';
import type { PlanBook, PromotionStore, StoredPromotion, WorkRulesStore } from '../ports/index.ts';
import { approvalOf, houseFaults } from './house.ts';
import { readPromotionInput, STATUS_ACTIONS, saved } from './save-promotion.ts';

type Ports = { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore };

/** As the history tells the first of two approvals. */
export const APPROVED_FIRST = 'approved by the first of two';

/** Approves, pauses, resumes, archives or withdraws a promotion. */
export async function setPromotionStatus(
  ports: Ports,
  person: Person,
  input: { id: string; status: PromotionStatus; revision: number },
): Promise<Outcome<{ revision: number }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const found = await ports.promotions.find(input.id);
  if (!found) return failed({ kind: 'not-found', what: `promotion ${input.id}` });
  const foreign = await foreignTo(ports, person, found);
  if (foreign) return foreign;
  if (input.status === 'approved')
    return found.promotion.status === 'paused'
      ? resume(ports, person, found, input.revision)
      : approve(ports, person, found, input.revision);
  if (input.status === 'paused' && !isStanding(found.promotion))
    return invalid(['status'], `it is ${found.promotion.status}`, 'one that is approved');
  const promotion = { ...found.promotion, status: input.status };
  // What is put away or withdrawn has nothing beside it that could wait.
  const left = isStanding(promotion) ? {} : { proposal: null };
  return saved(
    await ports.promotions.save(promotion, input.revision, {
      person: person.id,
      action: STATUS_ACTIONS[input.status],
      ...left,
    }),
  );
}

/** A refusal of who is kept to other departments than a promotion, or what waits beside it, is about. */
export async function foreignTo(
  { book }: Pick<Ports, 'book'>,
  person: Person,
  { promotion, proposal }: StoredPromotion,
): Promise<Outcome<never> | null> {
  if (!person.goods) return null;
  const { compiled } = await book.current();
  const fault = notTheirs(person, compiled, promotion) ?? notTheirs(person, compiled, proposal?.document);
  return fault && failed({ kind: 'invalid', faults: [{ ...fault, path: [] }] });
}

/** Switches a draft on, or puts a waiting change in its place. */
export async function approve(
  ports: Ports,
  person: Person,
  found: StoredPromotion,
  revision: number,
): Promise<Outcome<{ revision: number }>> {
  if (!may(person, 'approve')) return failed({ kind: 'forbidden' });
  const rules = await ports.rules.current();
  const { document, compiled } = await ports.book.current();
  const next = approvalOf(found, person, rules, compiled);
  if ('fault' in next) return invalid([], `it ${next.fault}`, next.wanted);
  const promotion = 'first' in next ? (next.first.document ?? found.promotion) : next.promotion;
  const read = readPromotionInput(promotion, document);
  if (!read.ok) return read;
  const faults = houseFaults(promotion, found.promotion, rules.house);
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  if ('first' in next)
    return saved(
      await ports.promotions.save(found.promotion, revision, {
        ...{ person: person.id, action: APPROVED_FIRST, proposal: next.first },
      }),
    );
  const action = found.proposal?.document ? 'change approved' : STATUS_ACTIONS.approved;
  return saved(
    await ports.promotions.save(next.promotion, revision, { person: person.id, action, proposal: null }),
  );
}

async function resume(
  { promotions }: Ports,
  person: Person,
  found: StoredPromotion,
  revision: number,
): Promise<Outcome<{ revision: number }>> {
  if (!(await mayResume(promotions, person, found.promotion.id))) return failed({ kind: 'forbidden' });
  const promotion = { ...found.promotion, status: 'approved' as const };
  return saved(await promotions.save(promotion, revision, { person: person.id, action: 'resumed' }));
}

/** To resume is to put back what was approved: whoever approves may, and who paused it. */
export async function mayResume(promotions: PromotionStore, person: Person, id: string): Promise<boolean> {
  if (may(person, 'approve')) return true;
  const history = await promotions.history(id);
  const paused = history.find(({ action }) => action.endsWith(STATUS_ACTIONS.paused));
  return may(person, 'plan') && paused?.personId === person.id;
}
