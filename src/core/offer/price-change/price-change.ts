import {
  type Currency,
  type MinorUnits,
  type Rounding,
  type RoundingDocument,
  readAmounts,
  readRounding,
} from '../../money/index.ts';
import type { ItemRule } from '../../plan/index.ts';
import { type MapRule, type OfferInPlan, only } from '../room/in-plan.ts';
import { checkPriceChange } from './check.ts';
import { type Formula, type FormulaDocument, readFormula } from './formula.ts';

export interface PriceChangeDocument {
  kind: 'priceChange';
  items: ItemRule;
  formula?: FormulaDocument;
  linePrices?: Record<string, string>;
  linePricesIn?: LinePricesInDocument[];
  rounding?: RoundingDocument;
  onTop?: boolean;
  of?: 'running' | 'base';
  mayRaise?: boolean;
  /** How the line prices came about. Sets no price itself. */
  worksheet?: WorksheetDocument;
}

/** Line prices of one zone or one store, exactly one of the two. */
export interface LinePricesInDocument {
  zone?: string;
  store?: string;
  prices: Record<string, string>;
}

/** One pass over part of a worksheet's goods. A later pass overwrites what an earlier one made of the same line. */
export interface PassDocument {
  name?: string;
  items: ItemRule;
  formula: FormulaDocument;
  rounding?: RoundingDocument;
}

export interface WorksheetDocument {
  passes: PassDocument[];
  /** Prices set by hand, over whatever a pass makes of the line; also of items that no pass selects. */
  own?: Record<string, string>;
  /** The same in one zone or store alone, or, where neither is named, wherever an item has no price of a nearer place. */
  ownIn?: LinePricesInDocument[];
  /** Items that a pass selects and that are taken out all the same. */
  removed?: string[];
}

/** Prices by sku: of single stores, of single zones, and for all the others. */
export interface LinePrices {
  readonly stores: ReadonlyMap<string, ReadonlyMap<string, MinorUnits>>;
  readonly zones: ReadonlyMap<string, ReadonlyMap<string, MinorUnits>>;
  readonly everywhere: ReadonlyMap<string, MinorUnits>;
}

export interface PriceChange {
  readonly kind: 'priceChange';
  readonly items: ItemRule;
  readonly formula: Formula | null;
  readonly linePrices: LinePrices;
  readonly rounding: Rounding | null;
  readonly onTop: boolean;
  readonly ofBase: boolean;
  readonly mayRaise: boolean;
}

export const priceChange: OfferInPlan<PriceChangeDocument, PriceChange> = {
  over: 'shelf',
  check: checkPriceChange,
  read: (offer, currency) => ({
    kind: 'priceChange',
    items: offer.items,
    formula: offer.formula ? readFormula(offer.formula, currency) : null,
    linePrices: readLinePrices(offer, currency),
    rounding: offer.rounding ? readRounding(offer.rounding, currency) : null,
    onTop: offer.onTop ?? false,
    ofBase: offer.of === 'base',
    mayRaise: offer.mayRaise ?? false,
  }),
  withRules,
  atStore({ worksheet: _, ...offer }, skus) {
    const prices = offer.linePrices && only(offer.linePrices, skus);
    if (!offer.formula && Object.keys(prices ?? {}).length === 0) return null;
    return prices ? { ...offer, linePrices: prices } : offer;
  },
};

function readLinePrices(
  { linePrices, linePricesIn = [] }: PriceChangeDocument,
  currency: Currency,
): LinePrices {
  const by = (key: 'store' | 'zone') =>
    new Map(
      linePricesIn.flatMap(({ prices, ...place }) => {
        const id = place[key];
        return id === undefined ? [] : [[id, readAmounts(prices, currency)] as const];
      }),
    );
  return { stores: by('store'), zones: by('zone'), everywhere: readAmounts(linePrices, currency) };
}

/** Its goods, and those of each pass of its worksheet. */
function withRules<T extends PriceChangeDocument | PriceChange>(offer: T, map: MapRule): T {
  const changed = { ...offer, items: map(offer.items, ['items']) };
  if (!('worksheet' in offer) || !offer.worksheet) return changed;
  const passes = offer.worksheet.passes.map((pass, i) => ({
    ...pass,
    items: map(pass.items, ['worksheet', 'passes', i, 'items']),
  }));
  return { ...changed, worksheet: { ...offer.worksheet, passes } };
}
