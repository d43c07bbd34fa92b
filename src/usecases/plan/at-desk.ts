import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { DeskStore, PromotionStore } from '../ports/index.ts';

/** A page that was not heard of for so long is shut. */
const GONE_AFTER = 60_000;

/** Says that somebody has a promotion open to write on it, and is told who else has. */
export async function beAtDesk(
  ports: { desks: DeskStore; promotions: PromotionStore },
  person: Person,
  id: string,
  now: Date,
): Promise<Outcome<{ others: readonly string[] }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  if (!(await ports.promotions.find(id))) return failed({ kind: 'not-found', what: `promotion ${id}` });
  const since = new Date(now.getTime() - GONE_AFTER);
  return done({ others: await ports.desks.here(id, person.id, { now, since }) });
}

/** Says that they have it open no more. */
export async function leaveDesk(
  ports: { desks: DeskStore },
  person: Person,
  id: string,
): Promise<Outcome<object>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  await ports.desks.leave(id, person.id);
  return done({});
}
