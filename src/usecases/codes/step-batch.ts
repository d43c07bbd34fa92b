import {
  type BatchStep,
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { type BatchPorts, theirBatch } from './their-batch.ts';

/** Withdraws all codes of a batch, or throws its list away; neither can be taken back. */
export async function stepCodeBatch(
  ports: BatchPorts,
  person: Person,
  id: number,
  step: BatchStep,
  now: Date,
): Promise<Outcome<{ ok: true }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const found = await theirBatch(ports, person, id);
  if (!found.ok) return found;
  const batch = found.value;
  if (step === 'withdraw') {
    await ports.codes.withdraw(batch, now, { person: person.id, action: 'codes withdrawn' });
    return done({ ok: true });
  }
  if (batch.made < batch.wanted && batch.withdrawnAt === null)
    return invalid(['step'], 'its codes are still being made', 'a moment later');
  await ports.codes.throwListAway(batch, { person: person.id, action: 'list of codes thrown away' });
  return done({ ok: true });
}
