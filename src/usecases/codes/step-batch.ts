import {
  type BatchStepRequest,
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { dayOf, formatLocalDate, type WallTime } from '../../core/calendar/index.ts';
import { dayFaults } from './make-batch.ts';
import { type BatchPorts, theirBatch } from './their-batch.ts';

/** Withdraws all codes of a batch or throws its list away, neither of which can be taken back; or moves its end. */
export async function stepCodeBatch(
  ports: BatchPorts,
  person: Person,
  id: number,
  { step, to = null }: BatchStepRequest,
  clock: { readonly today: WallTime; readonly now: Date },
): Promise<Outcome<{ ok: true }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const found = await theirBatch(ports, person, id);
  if (!found.ok) return found;
  const batch = found.value;
  if (step === 'withdraw') {
    await ports.codes.withdraw(batch, clock.now, { person: person.id, action: 'codes withdrawn' });
    return done({ ok: true });
  }
  if (step === 'move-end') {
    const faults = dayFaults(
      { from: batch.fromDay, to, test: batch.test },
      formatLocalDate(dayOf(clock.today)),
    );
    if (faults.length > 0) return failed({ kind: 'invalid', faults });
    await ports.codes.moveEnd(batch, to, { person: person.id, action: 'end of codes moved' });
    return done({ ok: true });
  }
  if (batch.made < batch.wanted && batch.withdrawnAt === null)
    return invalid(['step'], 'its codes are still being made', 'a moment later');
  await ports.codes.throwListAway(batch, { person: person.id, action: 'list of codes thrown away' });
  return done({ ok: true });
}
