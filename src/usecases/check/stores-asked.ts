import {
  done,
  failed,
  GROUP_PREFIX,
  invalid,
  type Outcome,
  type Person,
  sees,
} from '../../contracts/index.ts';
import { parseWallTime, type WallTime } from '../../core/calendar/index.ts';
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

/** The moment that is asked for, by each store's own clock. */
export function momentAsked({ at }: { readonly at: string }): Outcome<WallTime> {
  const wall = parseWallTime(at.slice(0, 16));
  return wall === null
    ? invalid(['at'], `"${at}" is no moment`, 'a wall time such as 2027-03-01T09:00')
    : done(wall);
}

/** The moment and the stores of a lens, of those that a person sees. */
export function placeAsked(
  request: { readonly at: string; readonly where?: string },
  person: Person,
  current: CurrentPlan,
): Outcome<{ readonly at: WallTime; readonly stores: readonly string[] }> {
  const at = momentAsked(request);
  if (!at.ok) return at;
  const stores = storesAsked(request.where, person, current);
  return stores
    ? done({ at: at.value, stores })
    : failed({ kind: 'not-found', what: `stores "${request.where}" for you` });
}
