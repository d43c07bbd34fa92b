import {
  DAY,
  type DayNumber,
  dayNumber,
  type Instant,
  spansWithin,
  type WallTime,
} from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, Promotion, StoreDocument } from '../plan/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { editionsOf } from './edition.ts';
import { lowestBefore } from './lowest-before.ts';
import { openingOf } from './opening.ts';
import { byShelf } from './shelf-order.ts';
import { promotionsOn, type Standing, standingsAt } from './standing.ts';
import { type UnitPrice, unitPriceOf } from './unit-price.ts';
import { type Hung, whatHung } from './what-hung.ts';

/** What is printed for the shelf of one item. */
export interface ShelfTag extends Standing {
  readonly sku: string;
  readonly name: string;
  /** A short text that is another wherever the tag says something else. */
  readonly edition: string;
  readonly unitPrice: UnitPrice | null;
  /** Of the thirty days before the reduction began; null where nothing is reduced, or it was not sold then. */
  readonly lowestBefore: MinorUnits | null;
  /** When each promotion on it ends; null: never, or not within a year. */
  readonly ends: ReadonlyMap<string, WallTime | null>;
  readonly gtin: string | null;
  readonly shelf: string | null;
}

/** A tag that hung the day before, and must not hang on the day. */
export interface OffShelf {
  readonly sku: string;
  readonly name: string;
  readonly gtin: string | null;
  readonly shelf: string | null;
  /** What it said. */
  readonly said: Standing;
  /** Of the promotions that it told of, those that no longer count; none where the goods themselves go. */
  readonly ended: readonly string[];
  /** Whether it goes without another in its place: the store does not sell it any more. */
  readonly gone: boolean;
}

export interface TagsOfDay {
  /** In the order of the shelves, of one place by item number. */
  readonly tags: readonly ShelfTag[];
  readonly off: readonly OffShelf[];
}

export interface TagsAsked {
  readonly store: StoreDocument;
  readonly day: DayNumber;
  /** Which of those that hang; absent: only what differs from the day before. */
  readonly which?: 'all' | { readonly items: ReadonlySet<string> } | { readonly promotion: string };
  /** The plan by which the tags of the day before were hung, where it is not this one. */
  readonly hungBy?: CompiledPlan;
}

/**
 * The shelf tags of a store for a day, at the price of a guest when it opens. Without more only those that must be hung
 * anew: another price, another price before it, another promotion, another deal than when it opened the day before, or
 * another word of those that hung by another plan.
 */
export function tagsOfDay(compiled: CompiledPlan, asked: TagsAsked): TagsOfDay {
  const { store, day, which, hungBy = compiled } = asked;
  const after = { compiled, at: openingOf(compiled, store, day) };
  const now = standingsAt(compiled, store, after.at);
  const hung = whatHung(hungBy, after, store, dayNumber(day - 1));
  const editionOf = editionsOf(compiled);
  const endOf = endsFrom(compiled, store, after.at);
  const tags: ShelfTag[] = [];
  const off: OffShelf[] = hungBy === compiled ? [] : noLongerThere(hungBy, compiled, store, hung.before);
  compiled.catalogue.items.forEach((item, index) => {
    const isSame = !hung.mayDiffer(index, item);
    if (isSame && which === undefined) return;
    const standing = now(index);
    const before = isSame ? standing : hung.before(item.sku);
    const place = placeOf(store, item);
    if (before) off.push(...offShelf(place, before, standing));
    const isOther = () => hung.isOther(item, before, standing!);
    if (standing && isAsked(which, item, standing, isOther))
      tags.push({
        ...place,
        ...standing,
        edition: editionOf(item, standing),
        unitPrice: unitPriceOf(item, standing.price),
        lowestBefore: lowestOf(compiled, store, item, standing, after.at),
        ends: new Map(promotionsOn(standing).map((id) => [id, endOf(id)])),
      });
  });
  return { tags: tags.sort(inOrder), off: off.sort(inOrder) };
}

/** Goods that hung, and that the plan does not know any more. */
const noLongerThere = (
  { catalogue }: CompiledPlan,
  after: CompiledPlan,
  store: StoreDocument,
  before: Hung['before'],
): OffShelf[] =>
  catalogue.items.flatMap((item) => {
    const said = after.catalogue.indexOf.has(item.sku) ? null : before(item.sku);
    return said ? [{ ...placeOf(store, item), said, ended: [], gone: true }] : [];
  });

const placeOf = (store: StoreDocument, item: Item) => ({
  sku: item.sku,
  name: item.name,
  gtin: item.gtin ?? null,
  shelf: shelfOf(store, item),
});

/** Where an item stands in a store. */
export const shelfOf = (
  { shelves }: StoreDocument,
  { sku, shelf }: Pick<Item, 'sku' | 'shelf'>,
): string | null => shelves?.[sku] ?? shelf ?? null;

const inOrder = (a: Placed, b: Placed): number =>
  byShelf(a.shelf, b.shelf) || (a.sku < b.sku ? -1 : a.sku > b.sku ? 1 : 0);

type Placed = Pick<ShelfTag, 'sku' | 'shelf'>;

function isAsked(which: TagsAsked['which'], { sku }: Item, now: Standing, isOther: () => boolean): boolean {
  if (which === 'all') return true;
  if (which === undefined) return isOther();
  return 'items' in which ? which.items.has(sku) : promotionsOn(now).includes(which.promotion);
}

function offShelf(
  place: Omit<OffShelf, 'said' | 'ended' | 'gone'>,
  hung: Standing,
  now: Standing | null,
): OffShelf[] {
  if (now === null) return [{ ...place, said: hung, ended: [], gone: true }];
  const counts = new Set(promotionsOn(now));
  const ended = [...new Set(promotionsOn(hung))].filter((id) => !counts.has(id));
  return ended.length === 0 ? [] : [{ ...place, said: hung, ended, gone: false }];
}

function lowestOf(
  compiled: CompiledPlan,
  store: StoreDocument,
  { sku }: Item,
  { was, promotion }: Standing,
  at: Instant,
): MinorUnits | null {
  const by = was === null ? undefined : compiled.changes.find((change) => change.promotion.id === promotion);
  return by ? lowestBefore(compiled, { sku, store: store.id }, by.promotion, at) : null;
}

/** So far ahead an end is worth telling. */
const LOOKED_AHEAD = 366 * DAY;

/** When promotions that count at a moment end, by the clock of the store; each worked out once. */
function endsFrom(
  compiled: CompiledPlan,
  store: StoreDocument,
  at: Instant,
): (id: string) => WallTime | null {
  const clock = compiled.clockOf(store);
  const known = new Map<string, WallTime | null>();
  const to = (at + LOOKED_AHEAD) as Instant;
  const endOf = ({ when }: Promotion): WallTime | null => {
    const span = spansWithin(when, clock, { from: at, to })[0];
    return !span || span.to >= to ? null : clock.toWall(span.to);
  };
  return (id) => {
    const found = known.get(id);
    if (found !== undefined) return found;
    const promotion = compiled.plan.promotions.find((one) => one.id === id);
    const end = promotion ? endOf(promotion) : null;
    known.set(id, end);
    return end;
  };
}
