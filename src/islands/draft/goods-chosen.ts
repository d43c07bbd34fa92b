import { type BasketOfferDocument, itemRulesIn } from '../../core/plan/index.ts';

/** Whether the goods of each part have been chosen. */
export const goodsChosen = (offer: BasketOfferDocument): boolean => unchosenParts(offer).length === 0;

/** The parts of a deal's words whose goods have not been chosen yet. */
export const unchosenParts = (offer: BasketOfferDocument): string[] =>
  itemRulesIn(offer).flatMap(({ rule, at }) =>
    'items' in rule && rule.items.length === 0 ? [at.length === 1 ? 'items' : at.slice(0, -1).join('/')] : [],
  );
