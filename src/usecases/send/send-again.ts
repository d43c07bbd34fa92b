import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { RENEWED_AFTER } from '../../core/price-file/index.ts';
import type { PlanBook, PriceFileMaker, SendingReason, SendingStore, SigningKeys } from '../ports/index.ts';

export interface AgainPorts {
  readonly book: PlanBook;
  readonly sending: SendingStore;
  readonly maker: PriceFileMaker;
}

/**
 * Sends stores what they were sent last once more, as whole files: nothing that is new in the plan goes out by it.
 * @param stores null: all that were sent anything.
 */
export async function sendAnew(
  ports: AgainPorts,
  person: Person,
  { stores }: { readonly stores: readonly string[] | null },
  now: Instant,
): Promise<Outcome<{ rollout: number | null; stores: number }>> {
  if (!may(person, 'send')) return failed({ kind: 'forbidden' });
  const sent = await ports.sending.newestNumbers();
  const unknown = stores?.find((store) => !sent.has(store));
  if (unknown !== undefined) return failed({ kind: 'not-found', what: `price file of store ${unknown}` });
  const again = { stores: stores ?? [...sent.keys()], whole: true, reason: 'sent anew' } as const;
  return done(await sendAgain(ports, person.id, again, now));
}

/**
 * Makes a new key, for which the one before vouches, and has every store's last file signed with it.
 * @param lost whether the keys before may be in other hands: then no terminal trusts them any more.
 */
export async function replaceKey(
  ports: AgainPorts & { readonly signer: SigningKeys },
  person: Person,
  { lost }: { readonly lost: boolean },
  now: Instant,
): Promise<Outcome<{ rollout: number | null; stores: number }>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  await ports.signer.rotate(lost, person.id, new Date(now));
  const sent = await ports.sending.newestNumbers();
  const again = { stores: [...sent.keys()], whole: false, reason: 'signed anew' } as const;
  return done(await sendAgain(ports, person.id, again, now));
}

/** Renews the files that are half over: nothing in them changes but until when they are good. */
export async function renewPriceFiles(ports: AgainPorts, now: Instant): Promise<number> {
  const dates = [...(await ports.sending.newestDates())];
  const stores = dates.filter(([, at]) => now - Date.parse(at) > RENEWED_AFTER).map(([store]) => store);
  return (await sendAgain(ports, 'renewal', { stores, whole: false, reason: 'renewed' }, now)).stores;
}

/** Sends stores what they were sent last, under a new number: whole, or as the difference of what is renewed. */
export async function sendAgain(
  { book, sending, maker }: AgainPorts,
  by: string,
  {
    stores,
    whole,
    reason,
  }: { readonly stores: readonly string[]; readonly whole: boolean; readonly reason: SendingReason },
  now: Instant,
): Promise<{ rollout: number | null; stores: number }> {
  if (stores.length === 0) return { rollout: null, stores: 0 };
  const { version } = await book.current();
  const order = { person: by, planVersion: version, reason, promotions: [] };
  return sending.send(order, (number) => maker.make({ stores, number, now, of: { kind: 'sent', whole } }));
}
