import type {
  FormulaDocument,
  ItemRule,
  PromotionDocument,
  RoundingDocument,
  WhenDocument,
} from '../src/core/plan/index.ts';

type Rest = Omit<PromotionDocument, 'id' | 'name' | 'status' | 'when'>;

export const change = (items: ItemRule, formula: FormulaDocument, rounding?: RoundingDocument) => ({
  kind: 'priceChange' as const,
  items,
  formula,
  ...(rounding ? { rounding } : {}),
});
export const approved = (id: string, name: string, when: WhenDocument, rest: Rest): PromotionDocument => ({
  id,
  name,
  status: 'approved',
  when,
  ...rest,
});
export const UP_TO_FIVE: RoundingDocument = { step: '0.05', mode: 'up' };
