import {
  type FormulaDocument,
  linePricedItems,
  type PriceChangeDocument,
  type RoundingDocument,
} from '../plan/index.ts';
import type { Names } from '../words/index.ts';
import { moneyWords } from '../words/index.ts';
import { decimalWords, percentWords, type Writing } from '../writing/index.ts';

/** What shoppers pay: "15 % less on". The goods follow. */
export function formulaWords(formula: FormulaDocument, currency: string, names: Names): string {
  const { writing } = names;
  if ('addPercent' in formula) return `cost plus ${percentWords(formula.addPercent, writing)} for`;
  if ('marginOnPrice' in formula)
    return `a price with ${percentWords(formula.marginOnPrice, writing)} margin for`;
  const basis = basisWords(formula.basis, names);
  if ('percentOff' in formula)
    return `${percentWords(formula.percentOff, writing)} less${basis ? ` than ${basis}` : ''} on`;
  if ('amountOff' in formula)
    return `${moneyWords(formula.amountOff, currency, writing)} less${basis ? ` than ${basis}` : ''} on`;
  if ('setTo' in formula) return `${moneyWords(formula.setTo, currency, writing)} for`;
  return `${basis || 'the price'} times ${decimalWords(String(formula.multiplyBy), writing)} for`;
}

function basisWords(basis: Extract<FormulaDocument, { basis?: unknown }>['basis'], names: Names): string {
  if (basis === undefined || basis === 'base') return '';
  if (basis === 'regular') return 'the regular price';
  return basis === 'cost' ? 'the cost' : `the price list ${names.priceList(basis.priceList)}`;
}

export function roundingWords(rounding: RoundingDocument, writing: Writing): string {
  const said = (amount: string | number) => decimalWords(String(amount), writing);
  const nearest = rounding.mode === 'nearest';
  if ('step' in rounding)
    return `rounded ${nearest ? 'to the nearest' : `${rounding.mode} to`} ${said(rounding.step)}`;
  const way = nearest ? 'to the nearest' : `${rounding.mode} to a`;
  const per = rounding.per === undefined ? '' : ` in each ${said(rounding.per)}`;
  return `rounded ${way} price ending in ${rounding.endings.map(said).join(' or ')}${per}`;
}

/** How many items have a price by hand beside the formula or the passes. */
function linesByHand({ worksheet, formula, ...priced }: PriceChangeDocument): number {
  if (worksheet) return linePricedItems({ linePrices: worksheet.own, linePricesIn: worksheet.ownIn }).size;
  return formula ? linePricedItems(priced).size : 0;
}

/** What is said after the goods: rounding, single prices, how it stands with others. */
export function restWords(offer: PriceChangeDocument, writing: Writing): string[] {
  const lines = linesByHand(offer);
  return [
    offer.rounding ? roundingWords(offer.rounding, writing) : '',
    lines > 0 ? `${lines} ${lines === 1 ? 'item' : 'items'} at a price of their own` : '',
    offer.onTop
      ? `on top of what else applies${offer.of === 'base' ? ', counted from the base price' : ''}`
      : '',
    offer.mayRaise ? 'even where that raises the price' : '',
  ].filter((part) => part !== '');
}
