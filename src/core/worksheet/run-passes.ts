import { breakEven, marginOf } from '../consequences/index.ts';
import { type MinorUnits, type Rounding, roundPrice } from '../money/index.ts';
import type { Formula } from '../plan/index.ts';
import { formulaResult } from '../tag-price/index.ts';
import type { SheetLine } from './sheet-line.ts';
import { lineKey } from './sheet-place.ts';

export interface Pass {
  readonly formula: Formula;
  readonly rounding: Rounding | null;
}

/** What is done to the lines, as numbers. */
export interface SheetWork {
  readonly passes: readonly Pass[];
  /** Prices by hand: of one line under its key, of an item wherever it has no such under its SKU. */
  readonly own: ReadonlyMap<string, MinorUnits>;
  readonly removed: ReadonlySet<string>;
  /** Costs under supplier terms; a line without one here costs what it always costs. */
  readonly costs: { readonly all: MinorUnits | null; readonly of: ReadonlyMap<string, MinorUnits> };
  /** Basis points; null: the chain has none. */
  readonly marginFloor: number | null;
}

/** Where a line's new price comes from: the number of a pass, or a hand. */
export type Origin = number | 'own' | null;
export type LineTrouble = 'no-cost' | 'no-list-price';

export interface SheetResult {
  readonly price: MinorUnits | null;
  /** The amount that its pass worked from. */
  readonly basis: MinorUnits | null;
  readonly origin: Origin;
  readonly removed: boolean;
  readonly trouble: LineTrouble | null;
  readonly cost: MinorUnits | null;
  /** Basis points of the new price. */
  readonly margin: number | null;
  /** Basis points of the regular price, signed. */
  readonly change: number | null;
  /** Hundredths. */
  readonly breakEven: number | null;
}

/** Runs the passes over the lines, in their order; what stands by hand stays. Same input, same result. */
export function runPasses(lines: readonly SheetLine[], work: SheetWork): SheetResult[] {
  const tables = work.passes.map(passTable);
  return lines.map((line) => {
    const removed = work.removed.has(line.sku);
    const cost = work.costs.of.get(line.sku) ?? work.costs.all ?? line.cost;
    const made = priceOf(line, work, tables);
    const { price } = made;
    return {
      ...made,
      removed,
      cost,
      margin: price === null ? null : marginOf(price, cost),
      change:
        price === null || line.regular === 0
          ? null
          : Math.round(((price - line.regular) * 10_000) / line.regular),
      breakEven: price === null ? null : breakEven(line.now, price, cost),
    };
  });
}

type PassTable = (basis: MinorUnits) => MinorUnits;

/** A pass makes the same of the same amount: many lines share one. */
function passTable({ formula, rounding }: Pass): PassTable {
  const made = new Map<number, MinorUnits>();
  return (basis) => {
    const known = made.get(basis);
    if (known !== undefined) return known;
    const price = roundPrice(formulaResult(formula, basis), rounding);
    made.set(basis, price);
    return price;
  };
}

function priceOf(
  line: SheetLine,
  { own, passes }: SheetWork,
  tables: readonly PassTable[],
): Pick<SheetResult, 'price' | 'basis' | 'origin' | 'trouble'> {
  const byHand = own.get(lineKey(line)) ?? (isForAll(line) ? own.get(line.sku) : undefined);
  if (byHand !== undefined) return { price: byHand, basis: null, origin: 'own', trouble: null };
  let trouble: LineTrouble | null = null;
  // The last pass that selects the line and has something to work from.
  for (const at of line.passes.toReversed()) {
    const pass = passes[at];
    // A pass that was just taken away, while the lines are not laid out anew yet.
    if (!pass) continue;
    const basis = basisOf(line, pass.formula);
    if (basis !== null) return { price: tables[at]!(basis), basis, origin: at, trouble: null };
    trouble ??= pass.formula.basis === 'cost' ? 'no-cost' : 'no-list-price';
  }
  return { price: null, basis: null, origin: null, trouble };
}

/** Whether a price by hand for the item as a whole reaches the line. */
const isForAll = ({ stays, since }: SheetLine): boolean => !stays && since === null;

function basisOf(line: SheetLine, { basis }: Formula): MinorUnits | null {
  if (basis === 'base') return line.base;
  if (basis === 'regular') return line.regular;
  return basis === 'cost' ? line.cost : (line.lists[basis.priceList] ?? null);
}
