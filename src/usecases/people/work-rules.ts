import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { WorkRules, WorkRulesStore } from '../ports/index.ts';

/** Says how the chain wants its people to work. */
export async function setWorkRules(
  ports: { rules: WorkRulesStore },
  person: Person,
  rules: WorkRules,
): Promise<Outcome<WorkRules>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  await ports.rules.set(rules, person.id);
  return done(rules);
}
