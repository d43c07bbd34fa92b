import { type CheckContext, checkRounding, type Fault } from '../../checking/index.ts';
import { checkFormula } from './check-formula.ts';
import { checkLinePrices, checkLinePricesIn } from './check-line-prices.ts';
import type { WorksheetDocument } from './price-change.ts';

/** Passes that can be run again, and lines by hand that name known items. */
export function checkWorksheet(sheet: WorksheetDocument, path: Fault['path'], context: CheckContext): void {
  sheet.passes.forEach((pass, i) => {
    const at = [...path, 'passes', i];
    checkFormula(pass.formula, [...at, 'formula'], context);
    if (pass.rounding) checkRounding(pass.rounding, [...at, 'rounding'], context);
  });
  checkLinePrices(sheet.own, [...path, 'own'], context);
  checkLinePricesIn(sheet.ownIn, [...path, 'ownIn'], context, { placeless: true });
  (sheet.removed ?? []).forEach((sku, i) => {
    context.reference('item', sku, [...path, 'removed', i]);
  });
}
