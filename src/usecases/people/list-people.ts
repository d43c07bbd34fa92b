import { done, failed, may, type Outcome, type PeopleView, type Person } from '../../contracts/index.ts';
import type { PeopleStore, WorkRulesStore } from '../ports/index.ts';

/** Everybody who signs in, or did, for whoever looks after them. */
export async function listPeople(
  ports: { people: PeopleStore; rules: WorkRulesStore },
  person: Person,
): Promise<Outcome<PeopleView>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const [people, stores, departments, { secondStep }] = await Promise.all([
    ports.people.all(),
    ports.people.stores(),
    ports.people.departments(),
    ports.rules.current(),
  ]);
  return done({ people, stores, departments, secondStep });
}
