import type { CheckContext, Fault } from '../../checking/index.ts';
import { type FormulaDocument, parseFactor } from './formula.ts';

/** Pricing rules 3.4: amounts, factors and lists that a formula names. */
export function checkFormula(formula: FormulaDocument, path: Fault['path'], context: CheckContext): void {
  if ('amountOff' in formula) context.amount(formula.amountOff, [...path, 'amountOff']);
  if ('setTo' in formula) context.amount(formula.setTo, [...path, 'setTo']);
  if ('multiplyBy' in formula && parseFactor(formula.multiplyBy) === null) {
    context.fault(
      [...path, 'multiplyBy'],
      `"${formula.multiplyBy}" is no factor`,
      'a number with at most six decimals, such as "0.85"',
    );
  }
  if ('marginOnPrice' in formula && formula.marginOnPrice >= 10_000) {
    context.fault([...path, 'marginOnPrice'], 'a margin of the whole price', 'less than 10000 basis points');
  }
  if ('basis' in formula && typeof formula.basis === 'object') {
    context.reference('price list', formula.basis.priceList, [...path, 'basis', 'priceList']);
  }
}
