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
import type { PlanDocument } from '../../core/plan/index.ts';
import { isEmpty, NAMED_PARTS, type NamedPart } from '../../core/price-file/index.ts';
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
  const named = namesIn(current.document);
  const held = (await ports.heldBack.all())
    .map((one) => ({ ...one, stores: all.filter((entry) => entry.heldBack.includes(one.promotion)).length }))
    .filter(({ stores }) => stores > 0 || person.stores === null);
  return done({
    planVersion: current.version,
    unchanged: all.length - open.length,
    held,
    stores: open.map((entry) =>
      reviewOf(entry, terminals.filter(({ store }) => store === entry.store.id).length, named),
    ),
    sentences: sentencesOf(
      [...promotionsIn(open), ...held.map(({ promotion }) => promotion)],
      seenOf(current, person),
      person,
    ),
  });
}

function reviewOf({ store, difference, first }: StoreToSend, terminals: number, nameOf: NameOf): StoreReview {
  const { promotions, items, other, named } = difference;
  return {
    store: store.id,
    name: store.name,
    timeZone: store.timeZone,
    terminals,
    first,
    promotions,
    prices: { added: items.added.length, changed: items.changed.length, gone: items.gone.length },
    other,
    named: named.map(nameOf),
  };
}

type NameOf = (of: StoreToSend['difference']['named'][number]) => string;

const ONE_OF: Readonly<Record<NamedPart, string>> = {
  itemSets: 'the set',
  priceLists: 'the price list',
  shopperGroups: 'the kind of shopper',
};

/** "the set Summer" */
function namesIn(document: PlanDocument): NameOf {
  const names = new Map(
    NAMED_PARTS.flatMap((part) =>
      (document[part] ?? []).map(({ id, name }) => [`${part} ${id}`, name] as const),
    ),
  );
  return ({ part, id }) => `${ONE_OF[part]} ${names.get(`${part} ${id}`) ?? id}`;
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
