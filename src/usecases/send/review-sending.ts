import {
  done,
  failed,
  may,
  type Outcome,
  type Person,
  type SendReview,
  type StoreReview,
  sees,
  writingOf,
} from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { isEmpty } from '../../core/price-file/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { seenOf } from '../people/index.ts';
import type { CurrentPlan, HeldBackStore, PlanBook } from '../ports/index.ts';
import { promotionsIn, type StoreComparison, type StoreToSend } from './store-comparison.ts';

/** The review before sending: store by store what is new, changed and gone, with the sentence of each promotion. */
export async function reviewSending(
  ports: { book: PlanBook; compare: StoreComparison; heldBack: HeldBackStore },
  person: Person,
  now: Instant,
): Promise<Outcome<SendReview>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await ports.book.current();
  const all = (await ports.compare(current, now)).filter(({ store }) => sees(person, store.id));
  const open = all.filter(({ difference }) => !isEmpty(difference));
  const terminals = current.document.terminals ?? [];
  const held = (await ports.heldBack.all())
    .map((one) => ({ ...one, stores: all.filter((entry) => entry.heldBack.includes(one.promotion)).length }))
    .filter(({ stores }) => stores > 0 || person.stores === null);
  return done({
    planVersion: current.version,
    unchanged: all.length - open.length,
    held,
    stores: open.map((entry) =>
      reviewOf(entry, terminals.filter(({ store }) => store === entry.store.id).length),
    ),
    sentences: sentencesOf(
      [...promotionsIn(open), ...held.map(({ promotion }) => promotion)],
      seenOf(current, person),
      person,
    ),
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

function sentencesOf(
  ids: readonly string[],
  { document }: CurrentPlan,
  person: Person,
): SendReview['sentences'] {
  const names = namesOf(document, writingOf(person));
  const byId = new Map(document.promotions.map((promotion) => [promotion.id, promotion]));
  const told = (id: string) => {
    const promotion = byId.get(id);
    if (!promotion) return { name: id, sentence: 'It is not in the plan any more.' };
    return { name: promotion.name, sentence: promotionText(promotion, document.currency, names) };
  };
  return Object.fromEntries(ids.map((id) => [id, told(id)]));
}
