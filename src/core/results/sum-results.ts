import { promotionsOnGoods } from '../receipt/index.ts';
import { type Brought, broughtBy, type ResultsPlan } from './brought.ts';
import type { SaleDocument } from './sale-document.ts';

/** By what results are told apart. */
export const RESULT_KEYS = ['promotion', 'store', 'day', 'item'] as const;
export type ResultKey = (typeof RESULT_KEYS)[number];

/** What came of it, in minor units. */
export interface Result {
  readonly keys: Readonly<Partial<Record<ResultKey, string>>>;
  /** Receipts that name it. */
  readonly receipts: number;
  readonly units: number;
  readonly takings: number;
  readonly reduction: number;
  /** Null: of some of them nobody knows what they cost. */
  readonly cost: number | null;
}

/** Sums sales up as they come; a sale that comes twice counts once. */
export interface ResultSums {
  add(sale: SaleDocument): void;
  /** In the order of their keys. */
  results(): Result[];
}

interface Sum {
  keys: Result['keys'];
  receipts: number;
  units: number;
  takings: number;
  reduction: number;
  cost: number | null;
}

/** @param by the keys that are told apart, in the order in which results stand. */
export function resultSums(plan: ResultsPlan, by: readonly ResultKey[]): ResultSums {
  const seen = new Set<string>();
  const sums = new Map<string, Sum>();
  const sumOf = (sale: SaleDocument, promotion: string, item: string): Sum => {
    const all = { promotion, store: sale.store, day: sale.at.slice(0, 10), item };
    const name = JSON.stringify(by.map((key) => all[key]));
    let sum = sums.get(name);
    if (!sum) {
      const keys = Object.fromEntries(by.map((key) => [key, all[key]]));
      sum = { keys, receipts: 0, units: 0, takings: 0, reduction: 0, cost: 0 };
      sums.set(name, sum);
    }
    return sum;
  };
  return {
    add(sale) {
      if (seen.has(sale.sale)) return;
      seen.add(sale.sale);
      const parts = broughtBy(sale, plan);
      const touched = new Set<Sum>();
      for (const part of parts) {
        const sum = sumOf(sale, part.promotion, part.sku);
        put(sum, part);
        touched.add(sum);
      }
      // A reward may stand on a receipt of which no line got anything by it.
      if (!by.includes('item'))
        for (const promotion of promotionsOnGoods(sale.receipt)) touched.add(sumOf(sale, promotion, ''));
      for (const sum of touched) sum.receipts += 1;
    },
    results: () => [...sums.values()].sort(byKeys(by)),
  };
}

function put(sum: Sum, { units, takings, reduction, cost }: Brought): void {
  sum.units += units;
  sum.takings += takings;
  sum.reduction += reduction;
  sum.cost = sum.cost === null || cost === null ? null : sum.cost + cost;
}

const byKeys = (by: readonly ResultKey[]) => (a: Result, b: Result) => {
  for (const key of by) {
    const [one, other] = [a.keys[key]!, b.keys[key]!];
    if (one !== other) return one < other ? -1 : 1;
  }
  return 0;
};
