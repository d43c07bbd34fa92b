import {
  type BasketCheckView,
  type Finding,
  type LensView,
  may,
  type Person,
  type PromotionSummary,
  sees,
  type TerminalCount,
  type TodayView,
} from '../../contracts/index.ts';
import { DAY, formatWallTime, type Instant, parseMoment, type WallTime } from '../../core/calendar/index.ts';
import { marginOf } from '../../core/consequences/index.ts';
import { minorUnits } from '../../core/money/index.ts';
import type { Item, StoreDocument } from '../../core/plan/index.ts';
import { book, NO_PRICE } from '../../core/price-book/index.ts';
import { isEmpty } from '../../core/price-file/index.ts';
import { whatIsMissing } from '../begin/index.ts';
import { knownFindings, lookAtKeptLoopholes, runBasketChecks } from '../check/index.ts';
import { endingCodes, triedCodes } from '../codes/index.ts';
import { maySeeShoppers } from '../known/index.ts';
import { seenOf } from '../people/index.ts';
import { listPromotions } from '../plan/index.ts';
import type {
  BasketCheckStore,
  CodeStore,
  CurrentPlan,
  FindingStore,
  HeldBackStore,
  JoinStore,
  LoopholeStore,
  PeopleStore,
  PlanBook,
  PlanPast,
  PromotionStore,
  SendingHourStore,
  SendingStore,
  ShelfStore,
  WaitingEntryStore,
  WorkRules,
  WorkRulesStore,
} from '../ports/index.ts';
import type { StoreComparison } from '../send/index.ts';
import { lookAtSendingHour, promotionsIn, troubleOf } from '../send/index.ts';
import { ownShelves } from '../shelf/index.ts';
import { listWaitingEntries } from '../stockroom/index.ts';

const AHEAD = 7 * DAY;

/** The start of the day's work, looked at through the lens. */
export async function lookAtToday(
  ports: {
    book: PlanBook;
    promotions: PromotionStore;
    rules: WorkRulesStore;
    waiting: WaitingEntryStore;
    sending: SendingStore;
    hour: SendingHourStore;
    compare: StoreComparison;
    heldBack: HeldBackStore;
    checks: BasketCheckStore;
    findings: FindingStore;
    loopholes: LoopholeStore;
    people: PeopleStore;
    codes: CodeStore;
    joins: JoinStore;
    past: PlanPast;
    shelf: ShelfStore;
  },
  person: Person,
  view: LensView,
  now: Instant,
): Promise<TodayView> {
  const whole = await ports.book.current();
  const current = seenOf(whole, person);
  const all = await listPromotions(ports, person);
  const approved = all.filter(({ status }) => status === 'approved');
  const store = current.compiled.stores.get(view.store.id)!;
  const clock = current.compiled.clockOf(store);
  const at = parseMoment(view.at, clock)!;
  const from = view.at.slice(0, 16);
  const to = formatWallTime((clock.toWall(at) + AHEAD) as WallTime);
  const within = (text: string | null): text is string => text !== null && text >= from && text < to;
  return {
    begins: await whatIsMissing(ports, whole, person),
    live: approved.filter((one) => one.from <= from && (one.to === null || one.to > from)).length,
    starting: approved.filter((one) => within(one.from)).sort((a, b) => (a.from < b.from ? -1 : 1)),
    ending: approved.filter((one) => within(one.to)).sort((a, b) => (a.to! < b.to! ? -1 : 1)),
    ...whatWaits(all, person, await ports.rules.current()),
    stockroom: await stockroomWaits(ports, person),
    ...(await unsent(ports, whole, person, now)),
    shelves: await ownShelves(ports, person, now),
    held: await heldBack(ports.heldBack, current, person),
    terminals: await countTerminals(ports.sending, current, person, now),
    endingCodes: await endingCodes(ports, person, current, clock.toWall(at)),
    triedCodes: await triedCodes(ports, person, current.compiled, now),
    asking: maySeeShoppers(person) ? (await ports.joins.waiting(new Date(now))).length : 0,
    losing: await losingBaskets(ports, person, now),
    inPlan: await knownFindings(ports, person, now),
    findings: [
      ...failedChecks(await runBasketChecks(ports, person, now)),
      ...openEnds(approved, from),
      ...(person.costs ? belowCost(current, view, at) : []),
    ],
  };
}

async function losingBaskets(
  ports: { book: PlanBook; loopholes: LoopholeStore },
  person: Person,
  now: Instant,
): Promise<TodayView['losing']> {
  const kept = await lookAtKeptLoopholes(ports, person, now);
  const [worst, ...others] = (kept.ok && kept.value.found) || [];
  if (!kept.ok || !worst) return null;
  const { margin } = worst.loophole;
  return {
    count: 1 + others.length,
    most: margin.slice(1),
    currency: kept.value.currency,
    at: worst.at.slice(0, 16),
  };
}

async function stockroomWaits(
  ports: { book: PlanBook; waiting: WaitingEntryStore; rules: WorkRulesStore },
  person: Person,
): Promise<TodayView['stockroom']> {
  const all = (await listWaitingEntries(ports, person)).filter(({ returned }) => !returned);
  const toApprove = all.filter(({ approves }) => approves).length;
  return { toApprove, waiting: all.length - toApprove };
}

/** What is on its way to approval, as it concerns a person. */
function whatWaits(
  all: readonly PromotionSummary[],
  person: Person,
  { another }: WorkRules,
): Pick<TodayView, 'toApprove' | 'sentBack' | 'submitted' | 'drafts'> {
  const submitted = all.filter(({ waiting }) => waiting?.state === 'submitted');
  const own = ({ waiting }: PromotionSummary) =>
    !may(person, 'approve') || (another && waiting?.by === person.id) || waiting?.first === 'you';
  return {
    toApprove: submitted.filter((one) => !own(one)),
    submitted: submitted.filter(own),
    sentBack: all.filter(({ waiting }) => waiting?.state === 'sent-back'),
    drafts: all.filter(({ status, waiting }) => (waiting ? waiting.state === 'written' : status === 'draft')),
  };
}

async function unsent(
  ports: { book: PlanBook; compare: StoreComparison; hour: SendingHourStore },
  current: CurrentPlan,
  person: Person,
  now: Instant,
): Promise<Pick<TodayView, 'unsent' | 'goesOut' | 'left'>> {
  const open = (await ports.compare(current, now)).filter(
    ({ store, difference }) => sees(person, store.id) && !isEmpty(difference),
  );
  const promotions = promotionsIn(open);
  const hour = await lookAtSendingHour(ports, person, now);
  const { next = null, last = null } = hour.ok ? hour.value : {};
  return {
    unsent: { stores: open.length, promotions: promotions.map((id) => nameOf(id, current)) },
    goesOut: next,
    left: (next === null ? [] : (last?.left ?? []))
      .filter(({ id }) => promotions.includes(id))
      .map(({ name }) => name),
  };
}

async function heldBack(store: HeldBackStore, seen: CurrentPlan, person: Person): Promise<TodayView['held']> {
  const known = new Set(seen.document.promotions.map(({ id }) => id));
  return (await store.all())
    .filter(({ promotion }) => person.stores === null || known.has(promotion))
    .map(({ promotion, by }) => ({ name: nameOf(promotion, seen), by }));
}

const nameOf = (promotion: string, { document }: CurrentPlan): string =>
  document.promotions.find(({ id }) => id === promotion)?.name ?? promotion;

async function countTerminals(
  sending: SendingStore,
  { compiled }: CurrentPlan,
  person: Person,
  now: Instant,
): Promise<TerminalCount> {
  const all = (await sending.terminals()).filter(({ store }) => sees(person, store));
  const troubled = all.flatMap((status) => {
    const trouble = troubleOf(status, now);
    const { terminal, store, problem } = status;
    const storeName = compiled.stores.get(store)?.name ?? store;
    return trouble === null ? [] : [{ terminal, store, storeName, trouble, detail: problem }];
  });
  return { all: all.length, upToDate: all.length - troubled.length, troubled };
}

const failedChecks = (checks: readonly BasketCheckView[]): Finding[] =>
  checks.filter(({ result }) => !result.holds).map((check) => ({ code: 'basket-check', check }));

function openEnds(approved: readonly PromotionSummary[], from: string): Finding[] {
  return approved
    .filter((one) => one.to === null && one.from <= from)
    .map(({ id, name }) => ({ code: 'open-end', promotion: { id, name } }));
}

/** So many prices are looked at before the page is shown; a larger chain is told of the store of the lens alone. */
const MOST_PRICES = 2_000_000;

interface Thin {
  readonly items: Set<string>;
  readonly stores: Set<string>;
  worst: { readonly margin: number; readonly item: Item; readonly store: StoreDocument } | null;
}

/** Tag prices that earn nothing, or too little, at the moment of the lens in every store that the person sees. */
function belowCost({ compiled }: CurrentPlan, view: LensView, at: Instant): Finding[] {
  const { marginFloor } = compiled.plan.policy;
  const { items } = compiled.catalogue;
  const whole = items.length * compiled.plan.stores.length <= MOST_PRICES;
  const found = { 'below-cost': nothingThin(), 'below-floor': nothingThin() };
  for (const store of whole ? compiled.plan.stores : [compiled.stores.get(view.store.id)!]) {
    const { prices } = book(compiled, at, [store.id]);
    items.forEach((item, index) => {
      const price = prices[index]!;
      if (price === NO_PRICE || item.cost === null) return;
      const margin = marginOf(minorUnits(price), item.cost) ?? Number.NEGATIVE_INFINITY;
      if (price < item.cost) note(found['below-cost'], { margin, item, store });
      else if (marginFloor !== null && margin < marginFloor)
        note(found['below-floor'], { margin, item, store });
    });
  }
  return (['below-cost', 'below-floor'] as const).flatMap((code) => told(code, found[code]));
}

const nothingThin = (): Thin => ({ items: new Set(), stores: new Set(), worst: null });

function note(thin: Thin, seen: NonNullable<Thin['worst']>): void {
  thin.items.add(seen.item.sku);
  thin.stores.add(seen.store.id);
  if (!thin.worst || seen.margin < thin.worst.margin) thin.worst = seen;
}

function told(code: 'below-cost' | 'below-floor', { items, stores, worst }: Thin): Finding[] {
  if (!worst) return [];
  const { sku, name } = worst.item;
  const store = { id: worst.store.id, name: worst.store.name };
  return [{ code, items: items.size, stores: stores.size, worst: { sku, name, store } }];
}
