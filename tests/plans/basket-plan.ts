import { parseBasket, parsePlan } from '../../src/contracts/index.ts';
import { describeFault, type PlanDocument, type PromotionDocument } from '../../src/core/plan/index.ts';
import { type CompiledPlan, compile } from '../../src/core/price-book/index.ts';
import {
  type BasketDocument,
  type ReceiptDocument,
  receiptDocument,
  ringBasket,
} from '../../src/core/receipt/index.ts';

/** A plan of one store in which each item is named by what it is: `items` gives prices by SKU. */
export function basketPlan(
  items: Readonly<Record<string, string | Partial<PlanDocument['items'][number]>>>,
  promotions: readonly PromotionDocument[],
  more: Partial<PlanDocument> = {},
): PlanDocument {
  return {
    format: 'bell-tag-plan',
    version: 1,
    currency: 'EUR',
    nodes: [{ id: 'all', name: 'All' }],
    items: Object.entries(items).map(([sku, item]) => ({
      sku,
      name: sku,
      node: 'all',
      prices: typeof item === 'string' ? [{ price: item }] : [],
      ...(typeof item === 'string' ? {} : item),
    })),
    stores: [{ id: 'shop', name: 'Shop', timeZone: 'Europe/Madrid' }],
    promotions: [...promotions],
    ...more,
  };
}

export const NOON = '2027-03-01T12:00';

export function offer(
  id: string,
  offer: PromotionDocument['offer'],
  more: Partial<PromotionDocument> = {},
): PromotionDocument {
  return { id, name: id, status: 'approved', when: { from: '2027-01-01T00:00' }, ...more, offer };
}

export function compiledOf(plan: PlanDocument): CompiledPlan {
  const parsed = parsePlan(plan);
  if (!parsed.ok) throw new Error(parsed.faults.map(describeFault).join('\n'));
  return compile(parsed.plan);
}

export type Lines =
  | Readonly<Record<string, number | string>>
  | readonly (readonly [string, number | string])[];

export function basketOf(lines: Lines, more: Partial<BasketDocument> = {}): BasketDocument {
  const pairs = Array.isArray(lines) ? lines : Object.entries(lines);
  return { store: 'shop', at: NOON, lines: pairs.map(([sku, quantity]) => ({ sku, quantity })), ...more };
}

/** Rings a basket in a plan, in the open format. */
export function ring(
  plan: PlanDocument | CompiledPlan,
  basket: BasketDocument,
  budget?: number,
): ReceiptDocument {
  const compiled = 'format' in plan ? compiledOf(plan) : plan;
  const parsed = parseBasket(basket, compiled);
  if (!parsed.ok) throw new Error(parsed.faults.map(describeFault).join('\n'));
  return receiptDocument(ringBasket(compiled, parsed.basket, budget), compiled.plan.currency);
}
