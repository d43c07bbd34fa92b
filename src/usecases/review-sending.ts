import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  type SendReview,
  type StoreReview,
  sees,
} from '../contracts/index.ts';
import { boundsOf, type Instant } from '../core/calendar/index.ts';
import { type PlanDocument, readSchedule } from '../core/plan/index.ts';
import {
  isEmpty,
  itemDigest,
  type Manifest,
  manifestOf,
  type StoreDifference,
  storeDifference,
  storePlans,
} from '../core/price-file/index.ts';
import { namesOf, promotionText } from '../core/sentence/index.ts';
import type { CurrentPlan, PlanBook } from './plan-store.ts';
import type { SendingStore } from './sending-store.ts';

export interface StoreToSend {
  readonly store: PlanDocument['stores'][number];
  readonly plan: PlanDocument;
  readonly manifest: Manifest;
  readonly difference: StoreDifference;
  readonly first: boolean;
}

/** For each store, what its terminals would get that they were not sent yet. */
export async function storesToSend(
  current: CurrentPlan,
  sending: SendingStore,
  now: Instant,
): Promise<StoreToSend[]> {
  const sent = await sending.newestManifests();
  const planOf = storePlans(current.document, current.compiled, now);
  const ofItem = itemDigest();
  const approved = new Set(
    current.document.promotions.filter(({ status }) => status === 'approved').map(({ id }) => id),
  );
  return current.document.stores.map((store) => {
    const plan = planOf(store.id);
    const manifest = manifestOf(plan, ofItem);
    const before = sent.get(store.id) ?? null;
    const whole = storeDifference(before, manifest);
    // One that is merely over needs no new file: the terminals know its end.
    const gone = whole.promotions.gone.filter(
      (id) => !approved.has(id) || !isOverAt(id, current, store, now),
    );
    const difference = { ...whole, promotions: { ...whole.promotions, gone } };
    return { store, plan, manifest, difference, first: before === null };
  });
}

function isOverAt(
  id: string,
  { document, compiled }: CurrentPlan,
  store: PlanDocument['stores'][number],
  now: Instant,
): boolean {
  const { when } = document.promotions.find((promotion) => promotion.id === id)!;
  return boundsOf(readSchedule(when), compiled.clockOf(store)).to <= now;
}

/** The review before sending: store by store what is new, changed and gone, with the sentence of each promotion. */
export async function reviewSending(
  ports: { book: PlanBook; sending: SendingStore },
  person: Person,
  now: Instant,
): Promise<Outcome<SendReview>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await ports.book.current();
  const all = (await storesToSend(current, ports.sending, now)).filter(({ store }) => sees(person, store.id));
  const open = all.filter(({ difference }) => !isEmpty(difference));
  const terminals = current.document.terminals ?? [];
  return done({
    planVersion: current.version,
    unchanged: all.length - open.length,
    stores: open.map((entry) =>
      reviewOf(entry, terminals.filter(({ store }) => store === entry.store.id).length),
    ),
    sentences: sentencesOf(open, current),
  });
}

function reviewOf({ store, difference, first }: StoreToSend, terminals: number): StoreReview {
  const { promotions, items, other } = difference;
  return {
    store: store.id,
    name: store.name,
    timeZone: store.timeZone,
    terminals,
    first,
    promotions,
    prices: { added: items.added.length, changed: items.changed.length, gone: items.gone.length },
    other,
  };
}

function sentencesOf(open: readonly StoreToSend[], { document }: CurrentPlan): SendReview['sentences'] {
  const names = namesOf(document);
  const byId = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const told = (id: string) => {
    const promotion = byId.get(id);
    if (!promotion) return { name: id, sentence: 'It is not in the plan any more.' };
    return { name: promotion.name, sentence: promotionText(promotion, document.currency, names) };
  };
  return Object.fromEntries(promotionsIn(open).map((id) => [id, told(id)]));
}

/** The promotions that make any store's difference. */
export function promotionsIn(open: readonly StoreToSend[]): string[] {
  return [
    ...new Set(
      open.flatMap(({ difference: { promotions } }) => [
        ...promotions.added,
        ...promotions.changed,
        ...promotions.gone,
      ]),
    ),
  ];
}
