import { type CheckContext, checkItemRule, type Fault } from '../checking/index.ts';
import type { PromotionDocument } from './document.ts';
import { itemRulesIn } from './item-rules.ts';
import { roomOf } from './offers.ts';

/** What an offer of any kind says must be known, must fit together, and must be amounts where it is money. */
export function checkOffer(promotion: PromotionDocument, path: Fault['path'], context: CheckContext): void {
  const { offer } = promotion;
  for (const { rule, at } of itemRulesIn(offer)) checkItemRule(rule, [...path, ...at], context);
  roomOf(offer).check(offer, { promotion, path, context });
}
