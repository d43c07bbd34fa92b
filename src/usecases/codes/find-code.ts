import { done, type FoundCode, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import { dayOf, formatLocalDate, type WallTime } from '../../core/calendar/index.ts';
import { normalCode, normalCodes } from '../../core/codes/index.ts';
import { batchCodeKey, codeKey } from '../../core/receipt/index.ts';
import { seenBy } from '../people/index.ts';
import type { CodeSeal, CurrentPlan, KnownCode, UseMade, UseStore } from '../ports/index.ts';
import { brakeOf, PERSON } from '../vouch/index.ts';
import { type BatchPorts, theirBatch } from './their-batch.ts';

type Ports = BatchPorts & { readonly codeSeal: CodeSeal; readonly uses: UseStore };
interface Clock {
  readonly today: WallTime;
  readonly now: Date;
}

/** What a code is, and who used it when and where: for somebody who has it before them. */
export async function findCode(
  ports: Ports,
  person: Person,
  code: string,
  { today, now }: Clock,
): Promise<Outcome<FoundCode>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const shared = current.compiled.plan.promotions.find(({ codes }) =>
    normalCodes(codes).has(normalCode(code)),
  );
  if (shared) {
    const uses = await ports.uses.ofKey(codeKey(code), person.stores);
    const promotion = { id: shared.id, name: shared.name };
    return done({
      code,
      promotion,
      batch: null,
      state: 'good',
      uses: uses.map((use) => useView(use, current)),
    });
  }
  const one = await knownOne(ports, person, code, now);
  if (!one.ok) return one;
  const { known, hash } = one.value;
  const { batch } = known;
  const uses = await ports.uses.ofKey(batchCodeKey(batch.id, hash), null);
  const promotion = current.document.promotions.find(({ id }) => id === batch.promotion);
  return done({
    code,
    promotion: { id: batch.promotion, name: promotion?.name ?? batch.promotion },
    batch: { id: batch.id, test: batch.test },
    state: stateOf(known, uses.length > 0, formatLocalDate(dayOf(today))),
    uses: uses
      .filter(({ store }) => person.stores === null || person.stores.includes(store))
      .map((use) => useView(use, current)),
  });
}

/** Withdraws one code of a batch. */
export async function withdrawCode(
  ports: Ports,
  person: Person,
  code: string,
  now: Date,
): Promise<Outcome<{ ok: true }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const one = await knownOne(ports, person, code, now);
  if (!one.ok) return one;
  const { known, hash } = one.value;
  const theirs = await theirBatch(ports, person, known.batch.id);
  if (!theirs.ok) return theirs;
  const deed = { person: person.id, action: 'one code withdrawn' };
  await ports.codes.withdrawOne(Buffer.from(hash, 'hex'), known.batch, deed);
  return done({ ok: true });
}

/** Whoever looks up codes could guess them, too. */
async function knownOne(
  { codes, codeSeal }: Ports,
  person: Person,
  code: string,
  now: Date,
): Promise<Outcome<{ known: KnownCode; hash: string }>> {
  const who = `${PERSON}${person.id}`;
  const wait = await codes.countTries(who, 1, brakeOf(who), now);
  if (wait > 0) return failed({ kind: 'slowed', wait });
  const bytes = codeSeal.hashOf(code);
  const hash = Buffer.from(bytes).toString('hex');
  const known = (await codes.known([bytes])).get(hash);
  if (!known) return failed({ kind: 'not-found', what: `code “${code}”` });
  await codes.right(who, 1, brakeOf(who));
  return done({ known, hash });
}

function stateOf({ batch, withdrawn }: KnownCode, used: boolean, today: string): FoundCode['state'] {
  if (withdrawn || batch.withdrawnAt !== null) return 'withdrawn';
  if (used) return 'used';
  if (batch.fromDay !== null && today < batch.fromDay) return 'not-started';
  return batch.toDay !== null && today > batch.toDay ? 'over' : 'good';
}

function useView(
  { at, store, terminal, basket, over }: UseMade,
  { compiled }: CurrentPlan,
): FoundCode['uses'][number] {
  const known = compiled.stores.get(store);
  return {
    ...{ at: at.toISOString(), store, storeName: known?.name ?? store, timeZone: known?.timeZone ?? 'UTC' },
    ...{ terminal, basket, over },
  };
}
