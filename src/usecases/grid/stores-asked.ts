import { GROUP_PREFIX, type Person, sees } from '../../contracts/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import type { CurrentPlan } from '../ports/index.ts';

/** The stores of a lens that a person sees: all where it names none; null where it names what is not there for them. */
export function storesAsked(
  where: string | undefined,
  person: Person,
  { compiled: { plan } }: CurrentPlan,
): readonly string[] | null {
  const seen = plan.stores.flatMap(({ id }) => (sees(person, id) ? [id] : []));
  if (where === undefined) return seen;
  if (!where.startsWith(GROUP_PREFIX)) return seen.includes(where) ? [where] : null;
  const group = where.slice(GROUP_PREFIX.length);
  if (!plan.storeGroups.some(({ id }) => id === group)) return null;
  const within = storesOf({ group }, plan);
  return seen.filter((id) => within.has(id));
}
