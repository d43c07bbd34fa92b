import {
  failed,
  type GridQuestion,
  invalid,
  type Outcome,
  type Person,
  sees,
} from '../../contracts/index.ts';
import { HOUR, type Instant, parseMoment } from '../../core/calendar/index.ts';
import { type GridSides, type Side, sideOf, sideOfPlans, sideOfStore } from '../../core/grid/index.ts';
import {
  type PromotionDocument,
  readPlan,
  readPromotion,
  type StoreDocument,
} from '../../core/plan/index.ts';
import { apply, type CompiledPlan, compile } from '../../core/price-book/index.ts';
import { isEmpty } from '../../core/price-file/index.ts';
import type { Shopper } from '../../core/tag-price/index.ts';
import { knownMoment, shopperOf } from '../check/index.ts';
import { seenOf, withFreeOf } from '../people/index.ts';
import type {
  CurrentPlan,
  PlanBook,
  PlanPast,
  PromotionStore,
  SendingStore,
  ShopperStore,
} from '../ports/index.ts';
import { type StoreComparison, sentContent } from '../send/index.ts';

export interface GridPorts {
  readonly book: PlanBook;
  readonly past: PlanPast;
  readonly promotions: PromotionStore;
  readonly sending: SendingStore;
  readonly compare: StoreComparison;
  readonly shoppers: ShopperStore;
}

/** Both sides of a grid, and the stores on which the other side has nothing. */
export interface ReadSides extends GridSides {
  readonly without: readonly string[];
}

/** A price file is read for each store: of more stores than this, a group must be chosen. */
const MOST_FILES = 120;

type At = (store: Pick<StoreDocument, 'timeZone'>) => Instant;

/**
 * What prices are looked at, and what they are held against.
 * @param current the plan as far as the person may see it.
 * @param stores those that are shown.
 */
export async function gridSides(
  ports: GridPorts,
  person: Person,
  asked: GridQuestion,
  { current, stores, now }: { current: CurrentPlan; stores: readonly string[]; now: Instant },
): Promise<Outcome<ReadSides>> {
  const { compiled } = current;
  const at = readAt(asked.at, 'at', compiled);
  if (!at.ok) return at;
  const shopper = await readShopper(ports, asked.for, 'for', compiled);
  if (!shopper.ok) return shopper;
  const here = { at: at.value, shopper: shopper.value };
  const side = sideOf(compiled, here);
  const against = (was: Side | null, without: readonly string[] = []): Outcome<ReadSides> => ({
    ok: true,
    value: { now: side, was, without },
  });
  if (asked.known !== undefined && (asked.against === 'held' || asked.against === 'promotion'))
    return invalid(
      ['against'],
      'what terminals hold and what is written beside the plan is of now',
      'a date, a store or a kind of shopper, or the plan as it is known now',
    );
  switch (asked.against) {
    case undefined:
      return against(null);
    case 'date': {
      const other = readAt(asked.other ?? '', 'other', compiled);
      return other.ok ? against(sideOf(compiled, { ...here, at: other.value })) : other;
    }
    case 'known': {
      const then = await knownPlan(ports, person, asked.other ?? '', { compiled, stores, now });
      if (!then.ok) return then;
      const planOf = (store: string) => (then.value.stores.has(store) ? then.value : null);
      return against(
        sideOfPlans(compiled, side, planOf, here),
        stores.filter((store) => !planOf(store)),
      );
    }
    case 'shopper': {
      const other = await readShopper(ports, asked.other, 'other', compiled);
      return other.ok ? against(sideOf(compiled, { ...here, shopper: other.value })) : other;
    }
    case 'store':
      if (!compiled.stores.has(asked.other ?? '') || !sees(person, asked.other!))
        return failed({ kind: 'not-found', what: `store ${asked.other ?? ''} for you` });
      return against(sideOfStore(side, asked.other!));
    case 'promotion': {
      const edited = await withPromotion(ports, person, asked.other ?? '', compiled);
      return edited.ok
        ? { ok: true, value: { now: sideOf(edited.value, here), was: side, without: [] } }
        : edited;
    }
    case 'held': {
      const plans = await heldPlans(ports, { compiled, stores, here, now });
      if (!plans.ok) return plans;
      const planOf = (store: string) => plans.value.get(store) ?? null;
      return against(
        sideOfPlans(compiled, side, planOf, here),
        stores.filter((store) => !planOf(store)),
      );
    }
  }
}

function readAt(text: string, field: string, compiled: CompiledPlan): Outcome<At> {
  const [first] = compiled.plan.stores;
  if (first && parseMoment(text, compiled.clockOf(first)) === null)
    return invalid([field], `"${text}" is no moment`, 'a wall time such as 2027-03-01T09:00');
  return { ok: true, value: (store) => parseMoment(text, compiled.clockOf(store))! };
}

/** The plan as it was known at a moment, as far as the person may see it. */
async function knownPlan(
  ports: GridPorts,
  person: Person,
  text: string,
  { compiled, stores, now }: { compiled: CompiledPlan; stores: readonly string[]; now: Instant },
): Promise<Outcome<CompiledPlan>> {
  if (stores.length > MOST_FILES)
    return invalid(
      ['where'],
      `${stores.length} stores are too many to be held against another plan`,
      `a group of up to ${MOST_FILES} stores`,
    );
  const [first] = compiled.plan.stores;
  const at = first ? knownMoment(text, compiled.clockOf(first)) : null;
  if (at === null)
    return invalid(['other'], `"${text}" is no moment`, 'a wall time such as 2027-03-01T09:00');
  if (at > now) return invalid(['other'], 'nobody knows yet what will be known then', 'a moment in the past');
  const plan = await ports.past.known(at);
  if (!plan) return failed({ kind: 'not-found', what: `plan as known on ${text}` });
  return { ok: true, value: seenOf(plan, person).compiled };
}

async function readShopper(
  ports: GridPorts,
  asked: string | undefined,
  field: string,
  compiled: CompiledPlan,
): Promise<Outcome<Shopper>> {
  const shopper = await shopperOf(ports, asked, compiled);
  return shopper
    ? { ok: true, value: shopper }
    : invalid([field], `nobody shops as "${asked}"`, 'the id of a kind of shopper, or shopper: and a number');
}

/** The plan as if a draft were approved, or a change that waits. */
async function withPromotion(
  ports: GridPorts,
  person: Person,
  id: string,
  compiled: CompiledPlan,
): Promise<Outcome<CompiledPlan>> {
  const found = person.stores === null ? await ports.promotions.find(id) : null;
  if (!found) return failed({ kind: 'not-found', what: `promotion ${id}` });
  const { promotion, proposal } = found;
  const document: PromotionDocument = proposal?.document
    ? withFreeOf(proposal.document, promotion)
    : promotion;
  const read = readPromotion({ ...document, status: 'approved' }, compiled.plan.currency);
  return { ok: true, value: apply(compiled, { kind: 'put-promotion', promotion: read }).compiled };
}

/** For each store the plan that the terminal which lacks most of it holds; none where no terminal holds any. */
async function heldPlans(
  ports: GridPorts,
  {
    compiled,
    stores,
    here,
    now,
  }: {
    compiled: CompiledPlan;
    stores: readonly string[];
    here: { at: At };
    now: Instant;
  },
): Promise<Outcome<Map<string, CompiledPlan>>> {
  if (stores.length > MOST_FILES)
    return invalid(
      ['where'],
      `${stores.length} stores are too many to read what their terminals hold`,
      `a group of up to ${MOST_FILES} stores`,
    );
  // A page that looks at now stands open for a while.
  if (compiled.plan.stores.some((store) => here.at(store) < now - HOUR))
    return invalid(
      ['at'],
      'terminals hold the prices that are to come, and none of the past',
      'a moment from now on',
    );
  const whole = await ports.book.current();
  const same = new Set(
    (await ports.compare(whole, now))
      .filter(({ difference, heldBack }) => isEmpty(difference) && heldBack.length === 0)
      .map(({ store }) => store.id),
  );
  const holding = await numbersHeld(ports.sending);
  const newest = await ports.sending.newestNumbers();
  const plans = new Map<string, CompiledPlan>();
  for (const store of stores) {
    const number = holding.get(store);
    if (number === undefined) continue;
    if (number === newest.get(store) && same.has(store)) {
      plans.set(store, compiled);
      continue;
    }
    const content = await sentContent(ports.sending, store, number);
    if (content) plans.set(store, compile(readPlan(content.plan)));
  }
  return { ok: true, value: plans };
}

/** The lowest number that a terminal of a store holds. */
async function numbersHeld(sending: SendingStore): Promise<Map<string, number>> {
  const lowest = new Map<string, number>();
  for (const { store, holds } of await sending.terminals())
    if (holds !== null) lowest.set(store, Math.min(holds, lowest.get(store) ?? holds));
  return lowest;
}
