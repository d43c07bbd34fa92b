import { isDeliveryReward } from '../offer/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { type Basket, promotionsOnGoods, type Receipt, ringBasket, ringingOf } from '../receipt/index.ts';
import { type Good, goodsWorthLooking } from './goods.ts';
import { leastMargin } from './least-margin.ts';
import type { Loophole, Loopholes, Margin } from './loophole.ts';

export interface Search {
  /** Who shops, where, when and how: a basket without lines, with all codes that may be held. */
  readonly circumstances: Basket;
  /** The most units that a basket has. */
  readonly units: number;
  /** The most baskets that are rung. */
  readonly budget?: number;
  /** Where not all can be tried: how many are rung beside those that the automata point to, for other promotions. */
  readonly further?: number;
}

/** About half a minute. */
const BUDGET = 60_000;
const FURTHER_LOOKS = 1_500;
const MOST_FOUND = 100;
/** More codes than this are held all together or one by one. */
export const MOST_CODES_TOGETHER = 4;
/** From so many baskets at a time the search goes on where it cannot try all, each with so many further goods. */
const BEAM = 40;
const KINDS = 160;
const FURTHER = 24;
const ANYHOW = 4;

interface Rung extends Margin {
  readonly counts: readonly number[];
  readonly promotions: readonly string[];
}

/**
 * The baskets that leave the least. All of them are tried, a unit more each time, where there are few enough; else the
 * ones that leave least are gone on with, and what is still possible is told.
 */
export function findLoopholes(compiled: CompiledPlan, search: Search): Loopholes {
  const { circumstances, units, further: beside = FURTHER_LOOKS } = search;
  const subsets = codeSets(circumstances.codes);
  const budget = Math.floor((search.budget ?? BUDGET) / subsets.length);
  const found = new Map<string, Loophole>();
  const looks = subsets.map((codes) => {
    const look = lookWith(compiled, { ...circumstances, codes, lines: [] }, units, { budget, beside });
    for (const one of look.found) keep(found, one);
    return look;
  });
  const rising = [...found.values()].sort(byMargin);
  const least = rising[0]?.margin ?? 0;
  const proved = looks.every(({ bound }) => bound === null || bound >= least);
  return {
    found: rising,
    looked: {
      units,
      proved,
      bound: proved ? null : Math.min(...looks.map(({ bound }) => bound ?? least)),
      baskets: looks.reduce((sum, { baskets }) => sum + baskets, 0),
    },
  };
}

interface Look {
  readonly found: readonly Loophole[];
  /** Nothing leaves less than this; null: all were tried. */
  readonly bound: number | null;
  readonly baskets: number;
}

/** All that one choice of codes makes possible. */
function lookWith(
  compiled: CompiledPlan,
  holder: Basket,
  units: number,
  { budget, beside }: { budget: number; beside: number },
): Look {
  const { situation, offers: live } = ringingOf(compiled, holder).ringing;
  const offers = live.filter(({ promotion }) => !isDeliveryReward(promotion.offer));
  const goods = goodsWorthLooking(compiled, situation, offers);
  const rung = new Map<string, Rung>();
  const look = (counts: readonly number[]): Rung => {
    const key = counts.join();
    const known = rung.get(key);
    if (known) return known;
    const one = ringCounts(compiled, holder, goods, counts);
    rung.set(key, one);
    return one;
  };
  const all = allWays(goods.length, units) <= budget;
  const least = all ? null : leastMargin(compiled, holder, goods, units, (counts) => look(counts).margin);
  let layer: Rung[] = [{ counts: goods.map(() => 0), promotions: [], margin: 0, goods: 0, cost: 0 }];
  const most = all ? budget : Math.min(budget, rung.size + beside);
  for (let size = 1; size <= units && goods.length > 0; size++) {
    const next: Rung[] = [];
    for (const from of all ? layer : leastOf(layer))
      for (const at of all ? goods.keys() : further(goods, from)) {
        const counts = from.counts.with(at, from.counts[at]! + 1);
        if (rung.has(counts.join()) || rung.size >= most) continue;
        next.push(look(counts));
      }
    layer = next;
  }
  const found = (all ? [...rung.values()] : firstOfEach(rung.values()).map((one) => trimmed(one, look)))
    .filter((one) => !takesLess(one, rung))
    .map(({ counts, ...one }) => ({
      ...one,
      units: counts.reduce((sum, count) => sum + count, 0),
      basket: { ...holder, lines: linesOf(goods, counts) },
    }));
  return {
    found,
    bound: least,
    baskets: rung.size,
  };
}

/** Goods that may complete what a basket has begun, those that earn least first, and the few that lose most of all. */
function further(goods: readonly Good[], { counts }: Rung): Iterable<number> {
  const begun = new Set(goods.flatMap(({ offers }, at) => (counts[at]! > 0 ? offers : [])));
  const fitting = [...goods.keys()].filter((at) => goods[at]!.offers.some((offer) => begun.has(offer)));
  return new Set([...goods.keys()].slice(0, ANYHOW).concat(fitting.slice(0, FURTHER)));
}

/** In how many ways up to so many units can be chosen of so many goods, one more than once. */
function allWays(goods: number, units: number): number {
  let ways = 1;
  for (let i = 1; i <= units; i++) ways = (ways * (goods + i)) / i;
  return ways;
}

const byMargin = (a: Loophole, b: Loophole): number =>
  a.margin - b.margin || a.units - b.units || (a.promotions.join() < b.promotions.join() ? -1 : 1);

/** Of the same promotions the lower margin, then the fewer units, then the fewer codes. */
function keep(found: Map<string, Loophole>, one: Loophole): void {
  const key = JSON.stringify(one.promotions);
  const held = found.get(key);
  if (held && (held.margin < one.margin || (held.margin === one.margin && held.units <= one.units))) return;
  found.set(key, one);
}

/** Whether a unit could be taken from a basket without raising its margin: then the smaller one is to be shown. */
function takesLess({ counts, margin }: Rung, rung: ReadonlyMap<string, Rung>): boolean {
  return counts.some((count, at) => {
    if (count === 0) return false;
    const smaller = rung.get(counts.with(at, count - 1).join());
    return smaller !== undefined && smaller.margin <= margin;
  });
}

/** The one that leaves least of each set of promotions, as many as anybody reads. */
function firstOfEach(rung: Iterable<Rung>): Rung[] {
  const first = new Map<string, Rung>();
  for (const one of rung) {
    const key = one.promotions.join();
    const held = first.get(key);
    if (!held || one.margin < held.margin) first.set(key, one);
  }
  return [...first.values()].sort((a, b) => a.margin - b.margin).slice(0, MOST_FOUND);
}

/** Without the units that could be taken without raising what it leaves. */
function trimmed(one: Rung, look: (counts: readonly number[]) => Rung): Rung {
  let best = one;
  for (let at = 0; at < one.counts.length; at++)
    while (best.counts[at]! > 0) {
      const counts = best.counts.with(at, best.counts[at]! - 1);
      if (counts.every((count) => count === 0)) break;
      const smaller = look(counts);
      if (smaller.margin > best.margin) break;
      best = smaller;
    }
  return best;
}

/** Those that leave least, and of each set of promotions one: what is worst must not hide all else. */
function leastOf(layer: readonly Rung[]): Rung[] {
  const rising = layer.toSorted((a, b) => a.margin - b.margin);
  const first = new Map<string, Rung>();
  for (const one of rising) if (!first.has(one.promotions.join())) first.set(one.promotions.join(), one);
  return [...new Set([...rising.slice(0, BEAM), ...[...first.values()].slice(0, KINDS)])];
}

/** Every choice of the codes, the fewest first; of many none, each, and all. */
function codeSets(codes: readonly string[]): readonly (readonly string[])[] {
  if (codes.length > MOST_CODES_TOGETHER) return [[], ...codes.map((code) => [code]), codes];
  const all = Array.from({ length: 1 << codes.length }, (_, bits) =>
    codes.filter((_code, i) => (bits >> i) & 1),
  );
  return all.sort((a, b) => a.length - b.length);
}

const linesOf = (goods: readonly Good[], counts: readonly number[]): Basket['lines'] =>
  goods.flatMap(({ sku }, at) => (counts[at]! > 0 ? [{ sku, thousandths: counts[at]! * 1_000 }] : []));

function ringCounts(
  compiled: CompiledPlan,
  holder: Basket,
  goods: readonly Good[],
  counts: readonly number[],
): Rung {
  const receipt = ringBasket(compiled, { ...holder, lines: linesOf(goods, counts) }, null, { nearly: false });
  const cost = costOf(compiled, receipt);
  return {
    counts,
    promotions: [...promotionsOnGoods(receipt)].sort(),
    margin: receipt.goods - cost,
    goods: receipt.goods,
    cost,
  };
}

/** Of every unit that leaves the shelf, gifts included; a gift without a cost counts at nothing. */
const costOf = ({ catalogue }: CompiledPlan, { lines }: Receipt): number =>
  lines.reduce(
    (sum, { sku, thousandths }) =>
      sum + ((catalogue.items[catalogue.indexOf.get(sku)!]?.cost ?? 0) * thousandths) / 1_000,
    0,
  );
