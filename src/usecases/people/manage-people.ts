import {
  done,
  failed,
  type InviteRequest,
  invalid,
  may,
  type Outcome,
  type Person,
  type PersonRequest,
  type PersonStepRequest,
  type Role,
} from '../../contracts/index.ts';
import type { Accounts, PeopleStore, StoredPerson } from '../ports/index.ts';

interface Ports {
  readonly people: PeopleStore;
  readonly accounts: Accounts;
}

/** Adds somebody, who is sent a link by which to set a password. */
export async function invitePerson(
  ports: Ports,
  person: Person,
  { email: typed, ...said }: InviteRequest,
): Promise<Outcome<{ id: string }>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  // However it is written, it is one address.
  const email = typed.toLowerCase();
  const all = await ports.people.all();
  const known = all.find((one) => one.email.toLowerCase() === email);
  if (known)
    return invalid(
      ['email'],
      `${known.name} has that address`,
      'another address, or a change of that person',
    );
  const fault = await faultOf(ports.people, said);
  if (fault) return fault;
  const id = await ports.accounts.create({ name: said.name, email });
  await ports.people.change(id, said, person.id);
  await ports.accounts.sendLink(email);
  return done({ id });
}

/** Changes what somebody may do and see; it counts with their next press. */
export async function changePerson(
  ports: Ports,
  person: Person,
  { id, ...said }: PersonRequest & { readonly id: string },
): Promise<Outcome<object>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const all = await ports.people.all();
  if (!all.some((one) => one.id === id)) return failed({ kind: 'not-found', what: `person ${id}` });
  if (said.role !== 'administrator' && isLastAdministrator(all, id)) return LAST_ONE;
  const fault = await faultOf(ports.people, said);
  if (fault) return fault;
  await ports.people.change(id, said, person.id);
  return done({});
}

/** Lets somebody in no more, or again, sends a link for a new password, signs out everywhere, or takes a second step away. */
export async function stepPerson(
  ports: Ports,
  person: Person,
  { id, step }: PersonStepRequest & { readonly id: string },
  now: Date,
): Promise<Outcome<object>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const all = await ports.people.all();
  const found = all.find((one) => one.id === id);
  if (!found) return failed({ kind: 'not-found', what: `person ${id}` });
  if (step === 'end' && isLastAdministrator(all, id)) return LAST_ONE;
  if (step === 'link' && found.endedAt !== null)
    return invalid([], `${found.name} is not let in`, 'to let them in again first');
  if (step === 'link') await ports.accounts.sendLink(found.email);
  else if (step === 'one-step') await ports.people.endSecondStep(id, person.id);
  else if (step === 'sign-out') await ports.people.signOut(id, person.id);
  else await ports.people.end(id, step === 'end' ? now : null, person.id);
  return done({});
}

const KEPT_TO_GOODS: readonly Role[] = ['planner', 'approver'];

const LAST_ONE = invalid(
  ['role'],
  'nobody else looks after people and terminals',
  'another administrator first',
);

const isLastAdministrator = (all: readonly StoredPerson[], id: string): boolean =>
  !all.some((one) => one.id !== id && one.role === 'administrator' && one.endedAt === null);

async function faultOf(
  people: PeopleStore,
  { role, stores, goods }: PersonRequest,
): Promise<Outcome<never> | null> {
  if (goods && !KEPT_TO_GOODS.includes(role))
    return invalid(['goods'], 'departments are named', 'none: only who plans or approves is kept to some');
  if (goods) {
    const there = new Set((await people.departments()).map(({ id }) => id));
    const none = goods.find((id) => !there.has(id));
    if (none !== undefined) return invalid(['goods'], `"${none}" is no department`, 'ids of departments');
  }
  if (role !== 'store')
    return stores.length === 0
      ? null
      : invalid(['stores'], 'stores are named', 'none: only who runs stores is kept to some');
  if (stores.length === 0) return invalid(['stores'], 'no store is named', 'the stores that they run');
  const known = new Set((await people.stores()).map(({ id }) => id));
  const unknown = stores.find((id) => !known.has(id));
  return unknown === undefined ? null : invalid(['stores'], `"${unknown}" is no store`, 'ids of stores');
}
