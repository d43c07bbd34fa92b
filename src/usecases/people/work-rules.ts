import { done, failed, joinFields, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { HouseRules } from '../../core/house-rules/index.ts';
import type { WorkRules, WorkRulesStore } from '../ports/index.ts';

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

/** What comes of settings that somebody else may have changed since they were opened. */
export function settled<T extends object>(was: T | undefined, asked: T) {
  let standing: T = asked;
  let clashing: readonly string[] = [];
  return {
    /** What is kept of them, whatever stands; null: nothing. */
    by(stands: T): T | null {
      if (!was) return asked;
      const both = joinFields(was, asked, stands);
      clashing = both.clashing;
      standing = clashing.length > 0 ? stands : both.joined;
      return clashing.length > 0 ? null : standing;
    },
    outcome: (): Outcome<T> =>
      clashing.length > 0
        ? failed({ kind: 'conflict', code: 'settings-saved', current: { clashing, standing } })
        : done(standing),
  };
}
