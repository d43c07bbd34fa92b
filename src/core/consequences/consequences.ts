import { DAY, FOREVER, type Instant, type Span, spansWithin } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Promotion, StoreDocument } from '../plan/index.ts';
import { apply, type CompiledPlan, priceAt } from '../price-book/index.ts';
import { GUEST, type LostReason, type PriceChangePromotion, type Shopper } from '../tag-price/index.ts';
import { breakEven, marginOf } from './margin.ts';
import { costUnder } from './supplier-terms.ts';

/** What a price change does to one item at the store it is looked at in. */
export interface ConsequenceLine {
  readonly sku: string;
  readonly name: string;
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
}

export interface Consequences {
  /** Items that the change selects and the store carries. */
  readonly items: number;
  readonly stores: readonly string[];
  /** Where the lines are looked at; null where no store is in. */
  readonly lookedAt: { readonly store: string; readonly at: Instant } | null;
  readonly lines: readonly ConsequenceLine[];
  readonly changed: number;
  readonly belowCost: number;
  readonly belowFloor: number;
  /** Other promotions that meet this one on an item, with on how many. */
  readonly meets: readonly { readonly promotion: string; readonly items: number; readonly wins: boolean }[];
}

/** How far ahead the first live moment of a promotion is looked for. */
const HORIZON = 800 * DAY;

/**
 * What a draft would do if it were approved, at its first live moment.
 * @param prefer the store to look at where the draft counts there.
 */
export function consequencesOf(
  compiled: CompiledPlan,
  draft: Promotion,
  prefer: string | null,
): Consequences {
  const approved = { ...draft, status: 'approved' } as PriceChangePromotion;
  const after = apply(compiled, { kind: 'put-promotion', promotion: approved }).compiled;
  const before = apply(compiled, { kind: 'drop-promotion', id: draft.id }).compiled;
  const change = after.changes.find(({ promotion }) => promotion.id === draft.id)!;
  const stores = compiled.plan.stores.map(({ id }) => id).filter((id) => change.stores().has(id));
  const store = compiled.stores.get(prefer !== null && stores.includes(prefer) ? prefer : (stores[0] ?? ''));
  const at = store ? firstMoment(compiled, approved, store) : null;
  const lines = store && at !== null ? linesOf({ before, after, store, at }, approved) : [];
  const floor = compiled.plan.policy.marginFloor;
  return {
    items: lines.length,
    stores,
    lookedAt: store && at !== null ? { store: store.id, at } : null,
    lines,
    changed: lines.filter((line) => line.after !== line.before).length,
    belowCost: lines.filter(({ after: price, cost }) => cost !== null && price < cost).length,
    belowFloor: floor === null ? 0 : lines.filter(({ margin }) => margin !== null && margin < floor).length,
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
  readonly store: StoreDocument;
  readonly at: Instant;
}

function linesOf(looked: Looked, draft: PriceChangePromotion): ConsequenceLine[] {
  const change = looked.after.changes.find(({ promotion }) => promotion.id === draft.id)!;
  const selection = change.selection();
  const shopper = shopperFor(draft);
  return looked.after.catalogue.items.flatMap((item, index) => {
    if (selection.fixed && selection.fixed[index] === 0) return [];
    const question = {
      sku: item.sku,
      store: looked.store.id,
      at: looked.at,
      shopper,
      channel: draft.channels?.[0],
    };
    const now = priceAt(looked.after, question);
    const then = priceAt(looked.before, question);
    if (now.kind === 'problem' || then.kind === 'problem' || !selection.has(index, now.regular.price))
      return [];
    const cost = costUnder(draft.supplier, item);
    const lost = now.lost.find(({ promotion }) => promotion === draft.id);
    return [
      {
        sku: item.sku,
        name: item.name,
        regular: now.regular.price,
        before: then.price,
        after: now.price,
        cost,
        margin: marginOf(now.price, cost),
        breakEven: breakEven(then.price, now.price, cost),
        lost: lost?.reason ?? null,
        instead: then.winner?.promotion ?? null,
      },
    ];
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
