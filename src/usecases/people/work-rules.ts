import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { HouseRules } from '../../core/house-rules/index.ts';
import type { WorkRules, WorkRulesStore } from '../ports/index.ts';
import { settled } from './settled.ts';

/** Says how the chain wants its people to work; what is not named stays. */
export async function setWorkRules(
  ports: { rules: WorkRulesStore },
  person: Person,
  rules: Partial<Omit<WorkRules, 'house'>>,
): Promise<Outcome<WorkRules>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  await ports.rules.change(() => rules, person.id);
  return done(await ports.rules.current());
}

/**
 * Says what the chain asks of its promotions.
 * @param was the rules as they were opened: what somebody else changed since stays, and where both changed the same
 * nothing is kept. Absent: all of them are set as they are said.
 */
export async function setHouseRules(
  ports: { rules: WorkRulesStore },
  person: Person,
  { was, ...asked }: HouseRules & { readonly was?: HouseRules },
): Promise<Outcome<HouseRules>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const kept = settled(was, asked);
  await ports.rules.change(({ house }) => {
    const next = kept.by(house);
    return next && { house: next };
  }, person.id);
  return kept.outcome();
}
