import { done, failed, may, type Outcome, type Person, type PlanReplaced } from '../../contracts/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { PlanBook, PlanWriter } from '../ports/index.ts';

/**
 * Makes a checked document the whole plan, or says what that would replace.
 * @param expected the version of the plan that was looked at; null: whatever stands.
 */
export async function replacePlan(
  { book, writer }: { book: PlanBook; writer: PlanWriter },
  person: Person,
  document: PlanDocument,
  { dry, expected }: { dry: boolean; expected: number | null },
): Promise<Outcome<PlanReplaced>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const current = await book.current();
  const replaced: PlanReplaced = {
    ok: true,
    planVersion: current.version,
    ...countsOf(document),
    were: countsOf(current.document),
  };
  const moved = async () => {
    const { version } = await book.current();
    return failed({ kind: 'conflict', code: 'plan-changed', current: { planVersion: version } });
  };
  if (expected !== null && current.version !== expected) return moved();
  if (!dry && !(await writer.replace(document, person.id, expected ?? undefined))) return moved();
  return done(replaced);
}

const countsOf = ({ items, stores, promotions }: PlanDocument) => ({
  items: items.length,
  stores: stores.length,
  promotions: promotions.length,
});
