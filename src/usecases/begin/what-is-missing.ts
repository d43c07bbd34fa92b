import { BEGINNING_STEPS, type BeginningStep, may, type Person, roleMay } from '../../contracts/index.ts';
import type { CurrentPlan, PeopleStore, SendingStore, WorkRulesStore } from '../ports/index.ts';

/**
 * What stands and what is missing before the first price can be sent, for who looks after the installation; null once
 * nothing is missing.
 */
export async function whatIsMissing(
  ports: { people: PeopleStore; sending: SendingStore; rules: WorkRulesStore },
  { document }: CurrentPlan,
  person: Person,
): Promise<readonly BeginningStep[] | null> {
  if (!may(person, 'administer')) return null;
  const rollout = await ports.sending.newestRollout();
  const terminals = await ports.sending.terminals();
  // Nothing is taken back by what was sent once: a chain at work is not asked for more.
  if (rollout !== null && terminals.some(({ hasKey }) => hasKey)) return null;
  // Whoever looks after it approves as well: another who plans is enough.
  const planners = (await ports.people.all()).filter(
    ({ role, endedAt }) => endedAt === null && roleMay(role, 'plan'),
  );
  const { another } = await ports.rules.current();
  const counts: Record<BeginningStep['step'], number> = {
    zones: (document.zones ?? []).length,
    stores: document.stores.length,
    groups: document.nodes.length,
    goods: document.items.filter(({ prices }) => prices.length > 0).length,
    people: planners.length,
    terminals: terminals.length,
    keys: terminals.filter(({ hasKey }) => hasKey).length,
    sent: rollout === null ? 0 : 1,
  };
  return BEGINNING_STEPS.map((step) => ({
    step,
    count: counts[step],
    // Where another approves, one alone cannot.
    done: counts[step] >= (step === 'people' && another ? 2 : 1),
    // A chain with one price everywhere has none.
    optional: step === 'zones',
  }));
}
