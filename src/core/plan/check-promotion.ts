import type { CheckContext, Fault } from '../checking/index.ts';
import { checkStoreRule } from '../checking/index.ts';
import { checkOffer } from './check-offer.ts';
import { checkSupplierTerms } from './check-supplier-terms.ts';
import { checkWhen } from './check-when.ts';
import type { PromotionDocument } from './document.ts';
import { roomOf } from './offers.ts';

export function checkPromotion(
  promotion: PromotionDocument,
  path: Fault['path'],
  context: CheckContext,
): void {
  if (promotion.where) checkStoreRule(promotion.where, [...path, 'where'], context);
  checkWhen(promotion.when, [...path, 'when'], context.fault);
  (promotion.who?.groups ?? []).forEach((id, i) => {
    context.reference('shopper group', id, [...path, 'who', 'groups', i]);
  });
  (promotion.who?.shoppers ?? []).forEach((id, i) => {
    context.reference('shopper', id, [...path, 'who', 'shoppers', i]);
  });
  checkTerminals(promotion, path, context);
  checkUses(promotion, [...path, 'uses'], context);
  if (promotion.supplier) checkSupplierTerms(promotion.supplier, [...path, 'supplier'], context);
  checkOffer(promotion, [...path, 'offer'], context);
}

const IN_UNITS = ['unitsInAll', 'unitsPerCode', 'unitsPerShopper'] as const;

/** Units are reduced by a price change, or used by an offer on units; what is paid for goods, or the way home, uses none. */
function checkUses(
  { uses = {}, offer }: PromotionDocument,
  path: Fault['path'],
  context: CheckContext,
): void {
  const { over } = roomOf(offer);
  if (over === 'shelf' || over === 'units') return;
  for (const key of IN_UNITS)
    if (uses[key] !== undefined)
      context.fault(
        [...path, key],
        'no units are reduced or used by this offer',
        'a limit of receipts, such as "perShopper": 1',
      );
}

function checkTerminals(promotion: PromotionDocument, path: Fault['path'], context: CheckContext): void {
  const terminals = context.document.terminals ?? [];
  const known = new Set(terminals.flatMap(({ id, tags }) => [id, ...(tags ?? [])]));
  (promotion.terminals ?? []).forEach((name, i) => {
    if (!known.has(name))
      context.fault(
        [...path, 'terminals', i],
        `no terminal or tag "${name}"`,
        'the id or a tag of a terminal in this plan',
      );
  });
}
