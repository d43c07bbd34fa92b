import { terminalFor } from '../consequences/index.ts';
import { needsCode } from '../plan/index.ts';
import { type CompiledChange, DEFAULT_CHANNEL, timelines } from '../price-book/index.ts';
import { isFor } from '../tag-price/index.ts';
import { storyOfSteps, type TagStory, tagStories } from '../tag-story/index.ts';
import { type HitList, type Hits, hitList } from './hit.ts';
import { reducedBefore } from './reduced-before.ts';
import { type Again, agains } from './reductions.ts';
import { isChange, type Looked, type Scope } from './scope.ts';
import type { Site } from './sites.ts';
import { thinTags, thinUnder } from './thin-tags.ts';
import { firstKindForBoth, goodsOf, type Way, waysOf } from './ways.ts';

interface Look {
  readonly scope: Scope;
  readonly way: Way;
  /** All that may set tag prices of the goods by this way. */
  readonly changes: readonly CompiledChange[];
  /** Numbers of the items. */
  readonly goods: Int32Array;
  /** Under which price of each good it is worth to look closer. */
  readonly under: Float64Array;
  /** The places of the goods that a change selects. */
  placesOf(change: CompiledChange): Int32Array;
  /** Which changes begin again at a site soon after which. */
  agains(site: Site): ReadonlyMap<CompiledChange, readonly Again[]>;
  readonly list: HitList;
}

/**
 * What is wrong with tag prices, item by item: below cost or floor, or reduced again too soon. The tag prices of an item
 * depend on nothing but the changes that select it, so that after an edit only what it selects is looked at again.
 * @param goods numbers of the items that are looked at; absent: all.
 */
export function tagHits(scope: Scope, goods?: ReadonlySet<number>): Hits {
  const list = hitList();
  const ways = waysOf(scope);
  ways.forEach((way, i) => {
    const wanted = goodsOf(scope, ways.slice(0, i), way, goods);
    if (wanted.length === 0) return;
    const changes = countingBy(scope, way, wanted);
    const of: Look = {
      ...{ scope, way, list, changes, goods: wanted },
      agains: againsBy(scope, way, changes),
      under: thinUnder(scope, wanted, way.asking),
      placesOf: placesIn(wanted),
    };
    for (const site of scope.sites) (site.own ? lookAtOwn : lookAtAll)(of, site);
  });
  return list.hits;
}

/** Where among some goods those of a change stand; found once for each. */
function placesIn(goods: Int32Array): Look['placesOf'] {
  const known = new Map<CompiledChange, Int32Array>();
  const places = Int32Array.from(goods.keys());
  return (change) => {
    const selection = change.selection();
    const found = known.get(change) ?? places.filter((place) => selection.mayHave(goods[place]!));
    known.set(change, found);
    return found;
  };
}

/** Numbers of the items whose tag prices some of these may set. */
export function pricedBy({ compiled }: Scope, looked: readonly Looked[]): ReadonlySet<number> {
  const goods = new Set<number>();
  for (const one of looked) {
    if (!isChange(one)) continue;
    for (const index of one.numbers() ?? compiled.catalogue.items.keys()) goods.add(index);
  }
  return goods;
}

/** What may set tag prices of these goods for the shopper, by the channel, whatever the store and the terminal. */
function countingBy({ compiled }: Scope, { shopper, channel }: Way, goods: Int32Array): CompiledChange[] {
  return compiled.changes.filter(({ promotion, selection }) => {
    const { status, who, channels } = promotion;
    if (status !== 'approved' || needsCode(promotion) || !isFor(who, shopper)) return false;
    if (channels && !channels.includes(channel ?? DEFAULT_CHANNEL)) return false;
    return goods.some((index) => selection().mayHave(index));
  });
}

function lookAtAll(of: Look, site: Site): void {
  const { scope, way, changes, goods, placesOf: goodsOf } = of;
  const { compiled, earlier: span } = scope;
  const terminals = new Map(site.stores.map((store) => [store, terminalAt(of, store)]));
  const asked = {
    ...{ span, place: site, shopper: way.shopper, changes, goods },
    countsAt: ({ promotion, stores }: CompiledChange, store: string) =>
      stores().has(store) &&
      (!promotion.terminals ||
        promotion.terminals.some((name) => terminals.get(store)!.names.includes(name))),
    spansOf: ({ promotion }: CompiledChange) => scope.earlierSpansOf(promotion, site),
  };
  const again = of.agains(site);
  const numberOf = new Map(changes.map((change, number) => [change, number]));
  for (const { stores, counting, story } of tagStories(compiled, asked)) {
    const counts = (change: CompiledChange) => counting[numberOf.get(change)!] === 1;
    const tell = telling(of, story, stores);
    thinTags(scope, story, way.asking, of.under, tell);
    reducedBefore(story, again, { counts, goodsOf }, tell);
  }
}

/** What has a price of the store's own there, item by item. */
function lookAtOwn(of: Look, site: Site): void {
  const { scope, way, changes, goods } = of;
  const { compiled, earlier } = scope;
  const { id } = site.store;
  const here = changes.filter(({ stores }) => stores().has(id));
  const again = of.agains(site);
  for (const [place, index] of goods.entries()) {
    if (!site.own!.has(index) || !here.some(({ selection }) => selection().mayHave(index))) continue;
    const { sku } = compiled.catalogue.items[index]!;
    const { shopper, channel } = way;
    const asked = { sku, shopper, channel, terminal: terminalAt(of, id).id };
    const story = storyOfSteps(index, timelines(compiled, asked, [id], earlier)[0]!, here);
    const counts = ({ stores }: CompiledChange) => stores().has(id);
    const tell: Tell = (_, hit) => of.list.add({ ...hit, goods: [index], stores: site.stores });
    thinTags(scope, story, way.asking, of.under.subarray(place, place + 1), tell);
    reducedBefore(story, again, { counts, goodsOf: () => FIRST }, tell);
  }
}

const FIRST = Int32Array.of(0);

function terminalAt({ scope: { compiled }, way }: Pick<Look, 'scope' | 'way'>, store: string) {
  const id = terminalFor(compiled, { terminals: way.terminals }, store);
  const names = compiled.plan.terminals.flatMap((one) => (one.id === id ? [id, ...(one.tags ?? [])] : []));
  return { id, names };
}

/** Which changes begin again soon after which, of the pairs for whom a way is the first of both; once for each clock. */
function againsBy(scope: Scope, way: Way, changes: readonly CompiledChange[]): Look['agains'] {
  const remembered = new Set(scope.remembered);
  const earlier = changes.filter((change) => remembered.has(change));
  const known = new Map<string, Map<CompiledChange, readonly Again[]>>();
  return (site) => {
    const { timeZone } = site.store;
    const found = known.get(timeZone) ?? new Map<CompiledChange, readonly Again[]>();
    if (known.has(timeZone)) return found;
    known.set(timeZone, found);
    for (const second of changes) {
      if (!way.asking.has(second)) continue;
      const others = earlier.filter((first) => firstKindForBoth(scope, first, second) === way.shopper);
      const runs = agains(scope, site, second, others);
      if (runs.length > 0) found.set(second, runs);
    }
    return found;
  };
}

type Tell = Parameters<typeof thinTags>[4];

/** Notes hits of a story with the stores that they hold for: what has a price of the store's own is looked at by itself. */
function telling({ scope, list }: Look, { goods }: TagStory, stores: readonly string[]): Tell {
  const { items } = scope.compiled.catalogue;
  return (places, hit) => {
    const shared: number[] = [];
    for (const place of places) {
      const index = goods[place]!;
      const { stores: own } = items[index]!.prices;
      const there = own.size === 0 ? stores : stores.filter((id) => !own.has(id));
      if (there.length === stores.length) shared.push(index);
      else if (there.length > 0) list.add({ ...hit, goods: [index], stores: there });
    }
    if (shared.length > 0) list.add({ ...hit, goods: shared, stores });
  };
}
