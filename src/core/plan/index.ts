export {
  type CheckContext,
  checkContext,
  checkItemRule,
  checkStoreRule,
  describeFault,
  type Fault,
  jsonPointer,
  withArticle,
} from '../checking/index.ts';
export { type RoundingDocument, readRounding } from '../money/index.ts';
export {
  type Basis,
  type BasisKind,
  type Conditions,
  type ConditionsDocument,
  type CountedBy,
  type Formula,
  type FormulaDocument,
  hasLinePrices,
  linePricedItems,
  linePricesAt,
  type OfferPart,
  readFormula,
  type UnitValue,
  type ValueDocument,
} from '../offer/index.ts';
export * from './again.ts';
export * from './check.ts';
export { checkPromotion } from './check-promotion.ts';
export { checkWhen } from './check-when.ts';
export * from './document.ts';
export * from './gtin.ts';
export * from './item-rules.ts';
export * from './merge-promotions.ts';
export * from './model.ts';
export * from './needs-code.ts';
export * from './offers.ts';
export * from './read.ts';
export * from './shift-when.ts';
