import { done, failed, may, type Outcome, type Person } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { manifestOf, type PriceFileContent, RENEWED_AFTER } from '../../core/price-file/index.ts';
import type { PlanBook, SendingReason, SendingStore, SentFile, SigningKeys } from '../ports/index.ts';
import { makePriceFile, type ToMake } from './make-price-file.ts';
import { sentText } from './sent-content.ts';

type Ports = { book: PlanBook; sending: SendingStore; signer: SigningKeys };

/**
 * Sends stores what they were sent last once more, as whole files: nothing that is new in the plan goes out by it.
 * @param stores null: all that were sent anything.
 */
export async function sendAnew(
  ports: Ports,
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
  ports: Ports,
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
export async function renewPriceFiles(ports: Ports, now: Instant): Promise<number> {
  const files = await ports.sending.newestFiles();
  const stores = [...files].filter(([, { createdAt }]) => now - Date.parse(createdAt) > RENEWED_AFTER);
  const { stores: renewed } = await sendAgain(
    ports,
    'renewal',
    { stores: stores.map(([store]) => store), whole: false, reason: 'renewed' },
    now,
  );
  return renewed;
}

/** Sends stores what they were sent last, under a new number: whole, or as the difference of what is renewed. */
export async function sendAgain(
  { book, sending, signer: keys }: Ports,
  by: string,
  {
    stores,
    whole,
    reason,
  }: { readonly stores: readonly string[]; readonly whole: boolean; readonly reason: SendingReason },
  now: Instant,
): Promise<{ rollout: number | null; stores: number }> {
  const [newest, files] = await Promise.all([sending.newestNumbers(), sending.newestFiles()]);
  const all: ToMake[] = [];
  for (const store of stores) {
    const number = newest.get(store);
    const made = number === undefined ? null : await asSent(sending, store, number, files.get(store));
    if (made) all.push(whole ? { ...made, before: null } : made);
  }
  if (all.length === 0) return { rollout: null, stores: 0 };
  const [{ version }, signer] = await Promise.all([book.current(), keys.newest()]);
  const order = { person: by, planVersion: version, reason, promotions: [] };
  const rollout = await sending.send(order, (number) =>
    all.map((one) => makePriceFile(one, number, signer, now)),
  );
  return { rollout, stores: all.length };
}

async function asSent(
  sending: SendingStore,
  store: string,
  number: number,
  file: SentFile | undefined,
): Promise<ToMake | null> {
  const text = await sentText(sending, store, number);
  if (text === null) return null;
  const { plan, key } = JSON.parse(text) as PriceFileContent;
  const before = file?.number === number ? file : null;
  const planText = key === undefined ? {} : { planText: planTextIn(text) };
  return { store, plan, manifest: before?.manifest ?? manifestOf(plan), before, ...planText };
}

/** The plan in the canonical text of a price file: between the members that stand beside it. */
const planTextIn = (text: string): string =>
  text.slice(text.indexOf('"plan":') + '"plan":'.length, text.lastIndexOf(',"store":"'));
