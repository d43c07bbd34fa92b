import {
  type AcceptFindingRequest,
  done,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import type { FindingStore, PromotionStore } from '../ports/index.ts';

type Ports = { promotions: Pick<PromotionStore, 'find'>; findings: FindingStore };
type Which = Pick<AcceptFindingRequest, 'code' | 'promotions' | 'part'>;

/** By what a finding is known from one look to the next. */
export const keyOfFinding = ({ code, promotions, part }: Which): string =>
  JSON.stringify([code, promotions, part ? [part.kind, part.at] : null]);

/** Keeps that somebody can live with a finding: it stays quiet until something about it changes. */
export async function acceptFinding(
  { promotions, findings }: Ports,
  person: Person,
  { about, reason, ...which }: AcceptFindingRequest,
): Promise<Outcome<null>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  for (const id of which.promotions)
    if (!(await promotions.find(id))) return failed({ kind: 'not-found', what: `promotion ${id}` });
  await findings.accept({ key: keyOfFinding(which), about, reason }, which.promotions, person.id);
  return done(null);
}

/** Takes that back: it stands among the open ones again. */
export async function takeBackFinding(
  { findings }: Pick<Ports, 'findings'>,
  person: Person,
  which: Which,
): Promise<Outcome<null>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const gone = await findings.takeBack(keyOfFinding(which), which.promotions, person.id);
  return gone ? done(null) : failed({ kind: 'not-found', what: 'the accepted finding' });
}
