import { dayOf, type Instant, midnight, type Span, spansWithin, type ZoneClock } from '../calendar/index.ts';
import { type MinorUnits, minorUnits } from '../money/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import {
  basePrice,
  isRetired,
  onTopOrder,
  priceChangeDays,
  regularPrice,
  workOut,
} from '../tag-price/index.ts';
import { standingBar } from './bar.ts';
import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';
import { situationOf, startingOf } from './price-at.ts';
import type { TimelineQuestion } from './timeline.ts';

/** Cells from one on up to another, without it; a cell reaches from one moment of a band to the next. */
interface Cells {
  readonly first: number;
  readonly end: number;
}

interface Placed {
  readonly change: CompiledChange;
  /** Its number among the changes of the band. */
  readonly number: number;
  /** When it counts, within the segment. */
  readonly cells: readonly Cells[];
}

/** A part of the span in which the regular price does not change. */
interface Segment extends Cells {
  /** Null: it cannot be sold then. */
  readonly regular: MinorUnits | null;
  readonly base: MinorUnits;
  /** The candidates in the order in which they would win. */
  readonly ranked: readonly (Placed & { readonly result: MinorUnits })[];
  /** In the order in which they apply. */
  readonly onTop: readonly Placed[];
}

/** What one item's timelines have in common at the stores of one zone and one time zone. */
export interface Band {
  /** Every instant at which some price may change, the start of the span first. */
  readonly moments: readonly Instant[];
  /** The end of the span. */
  readonly to: Instant;
  /** That may price the item at some of its stores. */
  readonly changes: readonly CompiledChange[];
  readonly segments: readonly Segment[];
  carries(store: string, regular: MinorUnits): boolean;
}

interface Asked {
  readonly compiled: CompiledPlan;
  readonly question: TimelineQuestion;
  readonly index: number;
  readonly span: Span;
}

/** The band of each store; made once for all that share it. */
export function bandFor(
  compiled: CompiledPlan,
  question: TimelineQuestion,
  index: number,
  span: Span,
): (store: StoreDocument) => Band {
  const asked: Asked = { compiled, question, index, span };
  const item = compiled.catalogue.items[index]!;
  const bands = new Map<string, Band>();
  let changes: readonly CompiledChange[] | undefined;
  return (store) => {
    changes ??= concerning(asked, store);
    const own =
      item.prices.stores.has(store.id) ||
      changes.some(({ promotion }) => promotion.offer.linePrices.stores.has(store.id));
    const key = JSON.stringify([store.timeZone, store.zone, own ? store.id : null]);
    const found = bands.get(key) ?? band(asked, store, changes);
    bands.set(key, found);
    return found;
  };
}

/** The changes that may price the item at some store: whatever else bars one holds everywhere. */
function concerning({ compiled, question, index, span }: Asked, store: StoreDocument): CompiledChange[] {
  const situation = situationOf(compiled, store, { ...question, at: span.from });
  const here = new Set([store.id]);
  return compiled.changes.filter(
    ({ promotion, selection }) =>
      selection().mayHave(index) && standingBar({ promotion, stores: () => here }, situation) === null,
  );
}

function band(asked: Asked, store: StoreDocument, changes: readonly CompiledChange[]): Band {
  const { compiled, index, span } = asked;
  const clock = compiled.clockOf(store);
  const spans = new Map(changes.map((change) => [change, spansWithin(change.promotion.when, clock, span)]));
  const turns = priceChangeDays(compiled.catalogue.items[index]!, store).map((day) =>
    clock.toInstant(midnight(day)),
  );
  const inside = (moment: Instant) => span.from < moment && moment < span.to;
  const ends = [...spans.values()].flatMap((all) => all.flatMap(({ from, to }) => [from, to]));
  const moments = [span.from, ...new Set([...ends, ...turns].filter(inside).sort((a, b) => a - b))];
  const cellAt = new Map<number, number>(moments.map((moment, cell) => [moment, cell]));
  const cellsOf = ({ from, to }: Span): Cells => ({
    first: cellAt.get(from)!,
    end: cellAt.get(to) ?? moments.length,
  });
  const starts = [...new Set([0, ...turns.filter(inside).map((turn) => cellAt.get(turn)!)])].sort(
    (a, b) => a - b,
  );
  const placed = changes.map((change, number) => ({
    change,
    number,
    cells: spans.get(change)!.map(cellsOf),
  }));
  return {
    moments,
    to: span.to,
    changes,
    segments: starts.map((first, i) =>
      segment(asked, { store, clock, at: moments[first]! }, placed, {
        first,
        end: starts[i + 1] ?? moments.length,
      }),
    ),
    carries: (id, regular) => compiled.carries(id, index, regular),
  };
}

interface Place {
  readonly store: StoreDocument;
  readonly clock: ZoneClock;
  readonly at: Instant;
}

function segment(
  { compiled, question, index }: Asked,
  { store, clock, at }: Place,
  changes: readonly Placed[],
  within: Cells,
): Segment {
  const item = compiled.catalogue.items[index]!;
  const day = dayOf(clock.toWall(at));
  const sold = !compiled.catalogue.isParent(index) && !isRetired(item, day);
  const regular = sold ? (regularPrice(item, store, day)?.price ?? null) : null;
  if (regular === null) return { ...within, regular, base: minorUnits(0), ranked: [], onTop: [] };
  const base = basePrice(compiled.listsOf(question.shopper), item.sku, regular).price;
  const starting = startingOf(compiled, item, store, { regular, base });
  const here = changes.flatMap(({ cells, ...of }) => {
    if (!of.change.selection().has(index, regular)) return [];
    const clipped = cells
      .map(({ first, end }) => ({ first: Math.max(first, within.first), end: Math.min(end, within.end) }))
      .filter(({ first, end }) => first < end);
    return clipped.length > 0 ? [{ ...of, cells: clipped }] : [];
  });
  const candidates = here.flatMap((placed) => {
    const { offer } = placed.change.promotion;
    const worked = offer.onTop ? null : workOut(offer, starting);
    return worked && 'working' in worked ? [{ ...placed, result: worked.working.result }] : [];
  });
  const rankOf = ({ change: { promotion }, result }: (typeof candidates)[number]) => ({
    id: promotion.id,
    priority: promotion.priority,
    result,
  });
  return {
    ...within,
    regular,
    base,
    ranked: candidates.sort((a, b) => compiled.order(rankOf(a), rankOf(b))),
    onTop: here
      .filter(({ change }) => change.promotion.offer.onTop)
      .sort((a, b) => onTopOrder(a.change.promotion, b.change.promotion)),
  };
}
