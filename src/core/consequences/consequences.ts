import { DAY, FOREVER, type Instant, type Span, spansWithin } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Promotion, StoreDocument } from '../plan/index.ts';
import { apply, type CompiledPlan, priceAt } from '../price-book/index.ts';
import type { ItemSelection } from '../selection/index.ts';
import { GUEST, type LostReason, type PriceChangePromotion, type Shopper } from '../tag-price/index.ts';
import { acrossStores, type ItemAcross, type StoreLook } from './across-stores.ts';
import { askedThrough } from './asked-through.ts';
import { breakEven, marginOf } from './margin.ts';
import { costUnder } from './supplier-terms.ts';

/** What a price change does to one item: at one store in full, over all of them in short. */
export interface ConsequenceLine {
  readonly sku: string;
  readonly name: string;
  /** The store of the next figures: the one that is looked at, or the first that sells the item. */
  readonly store: string;
  readonly regular: MinorUnits;
  readonly before: MinorUnits;
  readonly after: MinorUnits;
  readonly cost: MinorUnits | null;
  readonly margin: number | null;
  readonly breakEven: number | null;
  /** Why the change does not set this price; null where it does, or adds to it. */
  readonly lost: LostReason | null;
  /** The promotion that would set the price without this one. */
  readonly instead: string | null;
  readonly across: ItemAcross;
}

export interface Consequences {
  /** Items that the change selects and some store of it sells. */
  readonly items: number;
  readonly stores: readonly string[];
  /** Where the lines are looked at first; null where no store is in, or no moment of it comes. */
  readonly lookedAt: { readonly store: string; readonly at: Instant } | null;
  readonly lines: readonly ConsequenceLine[];
  /** Items whose price changes in some store; the next three count so too. */
  readonly changed: number;
  readonly belowCost: number;
  readonly belowFloor: number;
  readonly raised: number;
  /** Items that it would make dearer and must not: they keep their price. */
  readonly kept: number;
  /** Items whose new price is not the same in all stores. */
  readonly differing: number;
  /** Other promotions that meet this one on an item, with on how many. */
  readonly meets: readonly { readonly promotion: string; readonly items: number; readonly wins: boolean }[];
}

/** How far ahead the first live moment of a promotion is looked for. */
const HORIZON = 800 * DAY;

/**
 * What a draft would do if it were approved, at its first live moment in each of its stores.
 * @param prefer the store to look at first where the draft counts there.
 */
export function consequencesOf(
  compiled: CompiledPlan,
  draft: Promotion,
  prefer: string | null,
): Consequences {
  // Looked at by somebody who holds its code: what nobody has without one would seem to do nothing.
  const held = { codes: [], codeBatches: false } as const;
  const approved = { ...draft, ...held, status: 'approved' } as PriceChangePromotion;
  const after = apply(compiled, { kind: 'put-promotion', promotion: approved }).compiled;
  const before = apply(compiled, { kind: 'drop-promotion', id: draft.id }).compiled;
  const change = after.changes.find(({ promotion }) => promotion.id === draft.id)!;
  const stores = compiled.plan.stores.filter(({ id }) => change.stores().has(id));
  const looks = stores.flatMap((store): StoreLook[] => {
    const at = firstMoment(compiled, approved, store);
    return at === null ? [] : [{ store, at, through: askedThrough(compiled, approved, store.id) }];
  });
  const first = looks.find(({ store }) => store.id === prefer) ?? looks[0] ?? null;
  const lines = linesOf({ before, after, looks, first }, approved, change.selection());
  const floor = compiled.plan.policy.marginFloor;
  const worst = (isBad: (margin: number) => boolean) =>
    lines.filter(({ across }) => across.worst !== null && isBad(across.worst.margin)).length;
  return {
    items: lines.length,
    stores: stores.map(({ id }) => id),
    lookedAt: first && { store: first.store.id, at: first.at },
    lines,
    changed: lines.filter(({ across }) => across.changedIn > 0).length,
    belowCost: worst((margin) => margin < 0),
    belowFloor: floor === null ? 0 : worst((margin) => margin < floor),
    raised: lines.filter(({ across }) => across.raisedIn > 0).length,
    kept: lines.filter(({ lost }) => lost === 'would-raise').length,
    differing: lines.filter(({ across: { after: range } }) => range.low !== range.high).length,
    meets: meetings(lines),
  };
}

/** The first instant at which a promotion counts in a store; null where none comes. */
export function firstMoment(
  compiled: CompiledPlan,
  { when }: Promotion,
  store: StoreDocument,
): Instant | null {
  const clock = compiled.clockOf(store);
  const from = clock.toInstant(when.from);
  const asked: Span = { from, to: Math.min(from + HORIZON, FOREVER) as Instant };
  return spansWithin(when, clock, asked)[0]?.from ?? null;
}

interface Looked {
  readonly before: CompiledPlan;
  readonly after: CompiledPlan;
  readonly looks: readonly StoreLook[];
  readonly first: StoreLook | null;
}

function linesOf(
  { before, after, looks, first }: Looked,
  draft: PriceChangePromotion,
  selection: ItemSelection,
): ConsequenceLine[] {
  const { catalogue } = after;
  const shopper = shopperFor(draft);
  const costOf = (index: number) => costUnder(draft.supplier, catalogue.items[index]!);
  const indexes = catalogue.items.flatMap((_, index) => (selection.mayHave(index) ? [index] : []));
  const across = acrossStores({ before, after }, looks, indexes, shopper, costOf);
  return indexes.flatMap((index) => {
    const found = across.get(index);
    const item = catalogue.items[index]!;
    if (!found) return [];
    for (const { store, at, through } of first ? [first, found.first] : [found.first]) {
      const question = { sku: item.sku, store: store.id, at, shopper, ...through };
      const now = priceAt(after, question);
      const then = priceAt(before, question);
      if (now.kind === 'problem' || then.kind === 'problem') continue;
      // A rule on regular prices may select it in some stores alone.
      if (!selection.has(index, now.regular.price)) continue;
      const cost = costOf(index);
      return [
        {
          sku: item.sku,
          name: item.name,
          store: store.id,
          regular: now.regular.price,
          before: then.price,
          after: now.price,
          cost,
          margin: marginOf(now.price, cost),
          breakEven: breakEven(then.price, now.price, cost),
          lost: now.lost.find(({ promotion }) => promotion === draft.id)?.reason ?? null,
          instead: then.winner?.promotion ?? null,
          across: found,
        },
      ];
    }
    return [];
  });
}

/** Somebody whom the promotion is for. */
export function shopperFor({ who }: Pick<Promotion, 'who'>): Shopper {
  if (who.kind === 'everyone' || who.guests) return GUEST;
  return { kind: 'shopper', id: who.shoppers[0] ?? null, groups: who.groups.slice(0, 1) };
}

function meetings(lines: readonly ConsequenceLine[]): Consequences['meets'] {
  const met = new Map<string, { items: number; wins: boolean }>();
  for (const { instead, lost } of lines) {
    if (instead === null) continue;
    const entry = met.get(instead) ?? { items: 0, wins: false };
    met.set(instead, { items: entry.items + 1, wins: entry.wins || lost !== null });
  }
  return [...met].map(([promotion, entry]) => ({ promotion, ...entry })).sort((a, b) => b.items - a.items);
}
