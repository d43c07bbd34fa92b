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
import type { Instant } from '../core/calendar/index.ts';
import type { PlanDocument } from '../core/plan/index.ts';
import {
  isEmpty,
  type PriceFileContent,
  type StoreDifference,
  storeDifference,
  storePlan,
} from '../core/price-file/index.ts';
import { namesOf, promotionText } from '../core/sentence/index.ts';
import type { CurrentPlan, PlanBook } from './plan-store.ts';
import type { SendingStore } from './sending-store.ts';

export interface StoreToSend {
  readonly store: PlanDocument['stores'][number];
  readonly plan: PlanDocument;
  readonly difference: StoreDifference;
  readonly first: boolean;
}

/** For each store, what its terminals would get that they were not sent yet. */
export async function storesToSend(
  current: CurrentPlan,
  sending: SendingStore,
  now: Instant,
): Promise<StoreToSend[]> {
  const sent = await sending.newestContents();
  return current.document.stores.map((store) => {
    const newest = sent.get(store.id);
    const before = newest ? (JSON.parse(newest.content) as PriceFileContent).plan : null;
    const plan = storePlan(current.document, current.compiled, store.id, now);
    return { store, plan, difference: storeDifference(before, plan), first: before === null };
  });
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
    promotions: {
      added: promotions.added.map(({ id }) => id),
      changed: promotions.changed.map(({ after }) => after.id),
      gone: promotions.gone.map(({ id }) => id),
    },
    prices: { added: items.added.length, changed: items.changed.length, gone: items.gone.length },
    other,
  };
}

function sentencesOf(open: readonly StoreToSend[], { document }: CurrentPlan): SendReview['sentences'] {
  const names = namesOf(document);
  const mentioned = open.flatMap(({ difference: { promotions } }) => [
    ...promotions.added,
    ...promotions.changed.map(({ after }) => after),
    ...promotions.gone,
  ]);
  const whole = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  return Object.fromEntries(
    mentioned.map((promotion) => {
      const shown = whole.get(promotion.id) ?? promotion;
      return [promotion.id, { name: shown.name, sentence: promotionText(shown, document.currency, names) }];
    }),
  );
}
