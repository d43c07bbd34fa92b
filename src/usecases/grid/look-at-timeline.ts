import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type TimelineRequest,
  type TimelineRow,
  type TimelineSpan,
  type TimelineStep,
  type TimelineView,
} from '../../contracts/index.ts';
import {
  type DayNumber,
  dayNumber,
  dayOf,
  formatLocalDate,
  formatMoment,
  midnight,
} from '../../core/calendar/index.ts';
import { formatAmount } from '../../core/money/index.ts';
import { type CompiledPlan, type PriceStep, priceAt, timelines } from '../../core/price-book/index.ts';
import type { LostReason, Shopper } from '../../core/tag-price/index.ts';
import { placeAsked, shopperOf } from '../check/index.ts';
import type { ShopperPorts } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';

/** Days before and after the moment that is looked at. */
const REACH: Readonly<Record<TimelineSpan, { before: number; after: number }>> = {
  quarter: { before: 28, after: 63 },
  year: { before: 182, after: 183 },
};
/** What is told: more rows, or more steps in one, nobody reads. */
const ROWS = 60;
const STEPS = 400;
/** Losing to another promotion, and not for a reason of its own. */
const BY_ANOTHER: readonly LostReason[] = ['lower-priority', 'higher-price', 'later-id'];

interface Asked {
  readonly compiled: CompiledPlan;
  readonly shopper: Shopper;
  readonly first: DayNumber;
  readonly end: DayNumber;
}

/** Every step of an item's price across stores, or of the goods of a group in one store. */
export async function lookAtTimeline(
  ports: { book: PlanBook } & ShopperPorts,
  person: Person,
  request: TimelineRequest,
): Promise<Outcome<TimelineView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { compiled } = current;
  const place = placeAsked(request, person, current);
  if (!place.ok) return place;
  const { at, stores } = place.value;
  const shopper = await shopperOf(ports, request.for, compiled);
  if (!shopper)
    return invalid(
      ['for'],
      `nobody shops as "${request.for}"`,
      'the id of a kind of shopper, or shopper: and a number',
    );
  const skus = skusAsked(request, compiled);
  if (!skus) return failed({ kind: 'not-found', what: `"${request.item ?? request.node}" among the goods` });
  const { before, after } = REACH[request.span ?? 'year'];
  const first = dayNumber(dayOf(at) - before);
  const end = dayNumber(dayOf(at) + after);
  const asked = { compiled, shopper, first, end };
  const of = request.item === undefined ? 'group' : 'item';
  const rows =
    of === 'item'
      ? rowsOf(asked, skus[0]!, stores)
      : skus.slice(0, ROWS).flatMap((sku) => rowsOf(asked, sku, stores.slice(0, 1)));
  return done({
    currency: compiled.plan.currency.code,
    from: formatLocalDate(first),
    to: formatLocalDate(end),
    of,
    rows: rows.slice(0, ROWS),
    cut: of === 'item' ? Math.max(0, rows.length - ROWS) : Math.max(0, skus.length - ROWS),
  });
}

/** One item that is sold, or the goods under a place; null where there is no such thing. */
function skusAsked({ item, node }: TimelineRequest, { plan, catalogue }: CompiledPlan): string[] | null {
  if (item !== undefined) return catalogue.indexOf.has(item) ? [item] : null;
  if (!plan.nodes.some(({ id }) => id === node)) return null;
  const under = catalogue.nodesUnder(node!);
  return catalogue.items.flatMap(({ sku, node: of }, index) =>
    under.has(of) && !catalogue.isParent(index) ? [sku] : [],
  );
}

/** Stores in which an item goes the same way, by their own clocks, are one row; the most stores first. */
function rowsOf(asked: Asked, sku: string, stores: readonly string[]): TimelineRow[] {
  const { compiled } = asked;
  const { name } = compiled.catalogue.items[compiled.catalogue.indexOf.get(sku)!]!;
  const groups = new Map<string, { id: string; steps: readonly PriceStep[]; stores: string[] }>();
  for (const { id, steps } of stepsIn(asked, sku, stores)) {
    const clock = compiled.clockOf(compiled.stores.get(id)!);
    const key = JSON.stringify(
      steps.map(({ from, price, promotion }) => [clock.toWall(from), price, promotion]),
    );
    const group = groups.get(key) ?? { id, steps, stores: [] };
    group.stores.push(id);
    groups.set(key, group);
  }
  return [...groups.values()]
    .sort((a, b) => b.stores.length - a.stores.length)
    .slice(0, ROWS + 1)
    .map(({ id, steps, stores: same }) => ({
      sku,
      name,
      stores: same.map((store) => ({ id: store, name: compiled.stores.get(store)!.name })),
      steps: steps.slice(0, STEPS).map((step) => stepView(asked, sku, id, step)),
      more: Math.max(0, steps.length - STEPS),
    }));
}

/** The same days of each store's own clock. */
function stepsIn({ compiled, shopper, first, end }: Asked, sku: string, stores: readonly string[]) {
  const byClock = new Map<string, string[]>();
  for (const id of stores) {
    const { timeZone } = compiled.stores.get(id)!;
    byClock.set(timeZone, [...(byClock.get(timeZone) ?? []), id]);
  }
  return [...byClock].flatMap(([timeZone, there]) => {
    const clock = compiled.clockOf({ timeZone });
    const span = { from: clock.toInstant(midnight(first)), to: clock.toInstant(midnight(end)) };
    return timelines(compiled, { sku, shopper }, there, span).map((steps, i) => ({ id: there[i]!, steps }));
  });
}

function stepView(
  { compiled, shopper }: Asked,
  sku: string,
  store: string,
  { from, to, price, promotion }: PriceStep,
): TimelineStep {
  const clock = compiled.clockOf(compiled.stores.get(store)!);
  const named = (id: string) => ({ id, name: namesIn(compiled).get(id) ?? id });
  const answer = price === null ? null : priceAt(compiled, { sku, store, shopper, at: from });
  const lost = answer?.kind === 'price' ? answer.lost : [];
  return {
    from: formatMoment(from, clock),
    to: formatMoment(to, clock),
    price: price === null ? null : formatAmount(price, compiled.plan.currency),
    promotion: promotion === null ? null : named(promotion),
    others: lost.flatMap(({ promotion: id, reason }) => (BY_ANOTHER.includes(reason) ? [named(id)] : [])),
  };
}

const names = new WeakMap<CompiledPlan, ReadonlyMap<string, string>>();

function namesIn(compiled: CompiledPlan): ReadonlyMap<string, string> {
  const found = names.get(compiled) ?? new Map(compiled.plan.promotions.map(({ id, name }) => [id, name]));
  names.set(compiled, found);
  return found;
}
