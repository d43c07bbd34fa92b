import {
  done,
  failed,
  invalid,
  type KeyRequest,
  type KeyStepRequest,
  type KeysView,
  may,
  type Outcome,
  type Person,
  type Role,
} from '../../contracts/index.ts';
import type { KeyStore, PeopleStore } from '../ports/index.ts';

interface Ports {
  readonly people: PeopleStore;
  readonly keys: KeyStore;
}

/** A key: what is shown this once, and what is kept of it. */
export interface MadeKey {
  readonly text: string;
  readonly hash: string;
}

const DAY = 24 * 60 * 60 * 1000;

/** The keys of other programs, for whoever looks after them. */
export async function listKeys({ people, keys }: Ports, person: Person): Promise<Outcome<KeysView>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  return done({ keys: await keys.all(), stores: await people.stores() });
}

/** Lets another program in, with a key that is shown this once. */
export async function makeKey(
  { people, keys }: Ports,
  person: Person,
  { name, scopes, costs, stores, until }: KeyRequest,
  { text, hash }: MadeKey,
  now: Date,
): Promise<Outcome<{ id: string; key: string }>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  if (stores.length > 0 && scopes.length > 1)
    return invalid(['stores'], 'stores are named', 'none, or a key that only looks');
  const known = new Set((await people.stores()).map(({ id }) => id));
  const unknown = stores.find((id) => !known.has(id));
  if (unknown !== undefined) return invalid(['stores'], `"${unknown}" is no store`, 'ids of stores');
  const endsAt = until === null ? null : new Date(Date.parse(until) + DAY);
  // Also a day that is none.
  if (endsAt && !(endsAt > now))
    return invalid(['until'], `${until} is over, or no day`, 'a day to come, or null');
  const role = roleFor(scopes, stores);
  const id = await keys.put({ name, role, costs, stores }, { hash, scopes, endsAt }, person.id);
  return done({ id, key: text });
}

/** Replaces a key by another, or takes it; both count at once. */
export async function stepKey(
  { keys }: Ports,
  person: Person,
  { id, step }: KeyStepRequest & { readonly id: string },
  { text, hash }: MadeKey,
  now: Date,
): Promise<Outcome<{ key?: string }>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const found =
    step === 'take' ? await keys.take(id, now, person.id) : await keys.replace(id, hash, person.id);
  if (!found) return failed({ kind: 'not-found', what: `key ${id}` });
  return done(step === 'take' ? {} : { key: text });
}

/** The least role that may do all of it. */
const roleFor = (scopes: KeyRequest['scopes'], stores: readonly string[]): Role => {
  if (scopes.includes('approve') || scopes.includes('send')) return 'approver';
  if (scopes.includes('plan')) return 'planner';
  return stores.length > 0 ? 'store' : 'viewer';
};
