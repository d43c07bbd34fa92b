import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { WorkRules, WorkRulesStore } from '../ports/index.ts';

/** Says how the chain wants its people to work, and what it asks of its promotions; what is not named stays. */
export async function setWorkRules(
  ports: { rules: WorkRulesStore },
  person: Person,
  rules: Partial<WorkRules>,
): Promise<Outcome<WorkRules>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  await ports.rules.set(rules, person.id);
  return done(await ports.rules.current());
}
