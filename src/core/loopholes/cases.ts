import type { Instant } from '../calendar/index.ts';
import { needsCode } from '../plan/index.ts';
import { type CompiledPlan, mixer, type RowPainter, rowPainter } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { countingAt } from './counting-at.ts';

/** Stores between which no basket leaves less than in another. */
export type LoopholeCase = readonly string[];

/**
 * Stores put together in which the same goods cost the same, by the same promotions, and the same offers count, those
 * with codes too: each such case is searched once.
 * @param at the moment of each store, by its own clock.
 */
export function casesOf(
  compiled: CompiledPlan,
  stores: readonly string[],
  at: (store: string) => Instant,
  shopper: Shopper,
): LoopholeCase[] {
  const cases = new Map<string, string[]>();
  const painters = new Map<Instant, RowPainter['row']>();
  for (const store of stores) {
    const moment = at(store);
    const row = painters.get(moment) ?? rowPainter(compiled, { at: moment, shopper }).row;
    painters.set(moment, row);
    const key = `${pricesKey(row(store))} ${liveAt(compiled, store, moment, shopper).join()}`;
    const same = cases.get(key);
    if (same) same.push(store);
    else cases.set(key, [store]);
  }
  return [...cases.values()].sort((a, b) => b.length - a.length);
}

/**
 * Stores put together in which prices and offers come about in the same way, whatever a store carries and whatever it
 * has prices of its own for: far fewer than the cases, and enough to warn by.
 */
export function kindsOfStores(
  compiled: CompiledPlan,
  stores: readonly string[],
  at: (store: string) => Instant,
  shopper: Shopper,
): LoopholeCase[] {
  const kinds = new Map<string, string[]>();
  const painters = new Map<Instant, RowPainter>();
  for (const store of stores) {
    const moment = at(store);
    const painter = painters.get(moment) ?? rowPainter(compiled, { at: moment, shopper });
    painters.set(moment, painter);
    const key = `${moment} ${painter.kindOf(store)} ${liveAt(compiled, store, moment, shopper).join()}`;
    const same = kinds.get(key);
    if (same) same.push(store);
    else kinds.set(key, [store]);
  }
  return [...kinds.values()].sort((a, b) => b.length - a.length);
}

function pricesKey(row: ReturnType<RowPainter['row']>): string {
  const mixed = mixer();
  if (row)
    for (let i = 0; i < row.prices.length; i++) {
      mixed.put(row.prices[i]!);
      mixed.put(row.regular[i]!);
      mixed.put(row.winners[i]!);
    }
  return mixed.text();
}

/** Numbers of the offers, and of the price changes with codes, that count for somebody who holds every code. */
function liveAt(compiled: CompiledPlan, store: string, at: Instant, shopper: Shopper): number[] {
  const { changes, offers } = compiled;
  const coded = [...changes.filter(({ promotion }) => needsCode(promotion)), ...offers];
  return countingAt(compiled, store, { at, shopper }, coded);
}
