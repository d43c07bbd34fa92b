import {
  done,
  type EndSessionsRequest,
  failed,
  type Outcome,
  type Person,
  type SessionsView,
} from '../../contracts/index.ts';
import type { PeopleStore } from '../ports/index.ts';

interface Ports {
  readonly people: PeopleStore;
}

/** Where the person is signed in. @param here the session that asks. */
export async function listSessions(
  { people }: Ports,
  person: Person,
  here: string,
  now: Date,
): Promise<SessionsView> {
  const all = (await people.sessions(person.id, now)).map((one) => ({ ...one, here: one.id === here }));
  return { sessions: [...all.filter((one) => one.here), ...all.filter((one) => !one.here)] };
}

/** Signs the person out somewhere, or everywhere but where they ask. */
export async function endSessions(
  { people }: Ports,
  person: Person,
  { id, others }: EndSessionsRequest,
  here: string,
  now: Date,
): Promise<Outcome<{ ended: number }>> {
  const all = (await people.sessions(person.id, now)).map((one) => one.id);
  const meant = others ? all.filter((one) => one !== here) : all.filter((one) => one === id);
  if (id !== undefined && meant.length === 0)
    return failed({ kind: 'not-found', what: 'such sign-in of yours' });
  return done({ ended: await people.endSessions(person.id, meant) });
}
