import {
  done,
  failed,
  type OpenedPromotion,
  type Outcome,
  type Person,
  writingOf,
} from '../../contracts/index.ts';
import type { PlanDocument, PromotionDocument } from '../../core/plan/index.ts';
import { type Difference, namesOf, promotionText } from '../../core/sentence/index.ts';
import { seenBy, seenPromotion, withFreeOf } from '../people/index.ts';
import type {
  HeldBackStore,
  HistoryEntry,
  PlanBook,
  PromotionStore,
  StoredPromotion,
  WorkRulesStore,
} from '../ports/index.ts';
import { differencesSeen } from './differences-seen.ts';
import { waitingView } from './waiting-view.ts';

/**
 * One promotion with its revision, what waits beside it and what happened to it. To a store's people those of other
 * stores are not there, and nothing waits.
 */
export async function openPromotion(
  ports: { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore; heldBack: HeldBackStore },
  person: Person,
  id: string,
): Promise<Outcome<OpenedPromotion>> {
  const missing = failed({ kind: 'not-found', what: `promotion ${id}` });
  const found = await ports.promotions.find(id);
  if (!found) return missing;
  const { compiled } = await ports.book.current();
  const promotion = seenPromotion(found.promotion, compiled, person);
  if (!promotion) return missing;
  const { document } = await seenBy(ports.book, person);
  const plans = person.stores === null;
  const difference = (before: PromotionDocument, after: PromotionDocument) =>
    differencesSeen(before, after, document, person);
  const history = await ports.promotions.history(id);
  return done({
    promotion,
    revision: found.revision,
    waiting: plans ? waitingView(found.proposal, person) : null,
    change: plans ? changeOf(found, document, person, difference) : null,
    rules: await ports.rules.current(),
    heldBack: (await ports.heldBack.all()).find((one) => one.promotion === id) ?? null,
    history: history.map((entry) => ({
      id: entry.id,
      at: entry.at,
      person: entry.person,
      action: entry.action,
      differences: plans ? differencesIn(entry, difference) : [],
      opens: plans && entry.after !== null,
    })),
  });
}

/** A state of a promotion as it was, or as somebody proposed it. Only for people of the whole chain. */
export async function openPastPromotion(
  ports: { promotions: PromotionStore; book: PlanBook },
  person: Person,
  { id, entry }: { id: string; entry: number },
): Promise<Outcome<{ promotion: PromotionDocument; at: string; action: string }>> {
  const history = person.stores === null ? await ports.promotions.history(id) : [];
  const found = history.find((one) => one.id === entry);
  const { compiled } = await ports.book.current();
  const promotion = found?.after ? seenPromotion(found.after, compiled, person) : null;
  if (!found || !promotion) return failed({ kind: 'not-found', what: `state ${entry} of promotion ${id}` });
  return done({ promotion, at: found.at, action: found.action });
}

type Differ = (before: PromotionDocument, after: PromotionDocument) => Difference[];

function changeOf(
  { promotion, proposal }: StoredPromotion,
  document: PlanDocument,
  person: Person,
  difference: Differ,
): OpenedPromotion['change'] {
  if (!proposal?.document) return null;
  const changed = withFreeOf(proposal.document, promotion);
  return {
    promotion: changed,
    sentence: promotionText(changed, document.currency, namesOf(document, writingOf(person))),
    differences: difference(promotion, changed),
  };
}

const differencesIn = ({ before, after }: HistoryEntry, difference: Differ): Difference[] =>
  before && after ? difference(before, after) : [];
