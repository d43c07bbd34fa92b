import type { Instant, Span } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import {
  barOf,
  book,
  type CompiledChange,
  type CompiledOffer,
  NO_PRICE,
  situationOf,
} from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { kindsFor } from './kinds-of-shopper.ts';
import { type Scope, turnAt } from './scope.ts';
import type { Site } from './sites.ts';
import { changesBeside, tagMoments } from './tag-moments.ts';

/** A good of a deal at its tag price. */
export interface Tagged {
  readonly index: number;
  readonly sku: string;
  readonly tag: number;
}

/** A deal as some stores see it for a while: the goods of each of its parts at their tag prices, the cheapest first. */
export interface Scene {
  readonly site: Site;
  readonly store: string;
  readonly stores: ReadonlySet<string>;
  readonly at: Instant;
  readonly spans: readonly Span[];
  readonly shopper: Shopper;
  readonly parts: readonly (readonly Tagged[])[];
}

/**
 * All scenes of a deal that are unlike each other: stores of a site in which the same changes count are one. Those in
 * which nothing of a part is sold are left out.
 */
export function scenesOf(scope: Scope, deal: CompiledOffer): readonly Scene[] {
  const { compiled } = scope;
  const parts = deal.parts();
  if (parts.length === 0) return [];
  const beside = changesBeside(scope, deal, (change) =>
    touches(compiled.catalogue.items.length, change, parts),
  );
  const scenes: Scene[] = [];
  for (const { site, stores } of scope.placesOf(deal)) {
    if (site.own) continue;
    for (const group of groupsOf(scope, deal, site, stores, beside)) {
      const tagged = partsAt(scope, deal, group);
      if (tagged.every((goods) => goods.length > 0)) scenes.push({ ...group, parts: tagged });
    }
  }
  return scenes;
}

function touches(items: number, change: CompiledChange, parts: ReturnType<CompiledOffer['parts']>): boolean {
  const selection = change.selection();
  for (let index = 0; index < items; index++)
    if (selection.mayHave(index) && parts.some((part) => part.mayHave(index))) return true;
  return false;
}

type Group = Omit<Scene, 'parts' | 'stores' | 'spans'> & {
  readonly stores: Set<string>;
  readonly spans: Span[];
};

function groupsOf(
  scope: Scope,
  deal: CompiledOffer,
  site: Site,
  stores: readonly string[],
  beside: readonly CompiledChange[],
): Iterable<Group> {
  const { compiled, kinds } = scope;
  const spans = scope.spansOf(deal.promotion, site);
  const moments = tagMoments(scope, site, spans, beside);
  const channel = deal.promotion.channels?.[0];
  const groups = new Map<string, Group>();
  // The first kind stands for all: tags differ by their lists, and a deal is judged by what most pay.
  const [shopper] = kindsFor(kinds, deal.promotion);
  if (!shopper) return [];
  moments.forEach((at, i) => {
    const until = spans.find(({ from, to }) => from <= at && at < to)!.to;
    const next = moments[i + 1];
    const span = { from: at, to: next !== undefined && next < until ? next : until };
    const turn = turnAt(scope, site, at);
    for (const id of stores) {
      const situation = situationOf(compiled, compiled.stores.get(id)!, { at, shopper, channel });
      const live = beside.flatMap((change, n) => (barOf(change, situation) === null ? [n] : []));
      const key = JSON.stringify([turn, live]);
      const group = groups.get(key) ?? {
        ...{ site, store: id, at, shopper },
        stores: new Set(),
        spans: [],
      };
      group.stores.add(id);
      if (group.spans.at(-1)?.from !== span.from) group.spans.push(span);
      groups.set(key, group);
    }
  });
  return groups.values();
}

function partsAt({ compiled }: Scope, deal: CompiledOffer, { store, at, shopper }: Group): Tagged[][] {
  const { items } = compiled.catalogue;
  const channel = deal.promotion.channels?.[0];
  const { prices, regular } = book(compiled, at, [store], undefined, shopper, { channel });
  return deal.parts().map((part) => {
    const goods: Tagged[] = [];
    for (const index of part.numbers() ?? items.keys()) {
      const { sku, unit = 'each' } = items[index]!;
      const tag = prices[index]!;
      if (tag === NO_PRICE || unit !== 'each' || !part.has(index, regular[index] as MinorUnits)) continue;
      goods.push({ index, sku, tag });
    }
    return goods.sort((a, b) => a.tag - b.tag || (a.sku < b.sku ? -1 : 1));
  });
}
