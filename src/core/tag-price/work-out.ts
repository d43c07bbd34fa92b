import { type MinorUnits, roundPrice } from '../money/index.ts';
import type { Item, PriceChange, PriceList } from '../plan/index.ts';
import type { Working } from './answer.ts';
import { formulaResult } from './formula.ts';
import { listPrice } from './list-price.ts';
import type { LostReason } from './reason.ts';

/** What one item costs one kind of shopper before any promotion, and where else a formula may look. */
export interface Starting {
  readonly item: Item;
  readonly regular: MinorUnits;
  readonly base: MinorUnits;
  readonly priceLists: ReadonlyMap<string, PriceList>;
  /** The line price of an item, its own or its parent's. */
  linePrice(change: PriceChange, item: Item): MinorUnits | undefined;
}

export type WorkedOut = { readonly working: Working } | { readonly reason: LostReason };

/** Pricing rules 3.3 and 3.4: the result of a price change for one item, or why there is none. */
export function workOut(change: PriceChange, starting: Starting): WorkedOut {
  const line = starting.linePrice(change, starting.item);
  const worked =
    line === undefined
      ? byFormula(change, starting)
      : { working: { kind: 'line-price', result: line } as const };
  if ('working' in worked && worked.working.result > starting.base && !change.mayRaise) {
    return { reason: 'would-raise' };
  }
  return worked;
}

function byFormula(change: PriceChange, starting: Starting): WorkedOut {
  const { formula } = change;
  if (!formula) return { reason: 'no-line-price' };
  const basisAmount = basisOf(formula.basis, starting);
  if (basisAmount === null) return { reason: formula.basis === 'cost' ? 'no-cost' : 'no-list-price' };
  const exact = formulaResult(formula, basisAmount);
  return {
    working: {
      kind: 'formula',
      basis: formula.basis,
      basisAmount,
      exact,
      result: roundPrice(exact, change.rounding),
    },
  };
}

function basisOf(basis: NonNullable<PriceChange['formula']>['basis'], starting: Starting): MinorUnits | null {
  if (basis === 'base') return starting.base;
  if (basis === 'regular') return starting.regular;
  if (basis === 'cost') return starting.item.cost;
  return listPrice(starting.priceLists.get(basis.priceList)!, starting.item.sku, starting.regular);
}
