import { done, failed, may, type Outcome, type PeopleView, type Person } from '../../contracts/index.ts';
import type { PeopleStore } from '../ports/index.ts';

/** Everybody who signs in, or did, for whoever looks after them. */
export async function listPeople(
  ports: { people: PeopleStore },
  person: Person,
): Promise<Outcome<PeopleView>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  return done({ people: await ports.people.all(), stores: await ports.people.stores() });
}
