import { parseLocalDate } from '../calendar/index.ts';
import type { CheckContext, Fault } from '../checking/index.ts';
import type { SupplierTermsDocument } from './document.ts';

/** A buying window that has a day in it, and costs that are amounts of known items. */
export function checkSupplierTerms(
  terms: SupplierTermsDocument,
  path: Fault['path'],
  context: CheckContext,
): void {
  context.date(terms.from, [...path, 'from']);
  context.date(terms.to, [...path, 'to']);
  const from = terms.from === undefined ? null : parseLocalDate(terms.from);
  const to = parseLocalDate(terms.to);
  if (from !== null && to !== null && to < from)
    context.fault(
      [...path, 'to'],
      `the last day ${terms.to} is before the first, ${terms.from}`,
      'a last day on or after the first',
    );
  context.amount(terms.cost, [...path, 'cost']);
  for (const [sku, cost] of Object.entries(terms.costs ?? {})) {
    context.reference('item', sku, [...path, 'costs', sku]);
    context.amount(cost, [...path, 'costs', sku]);
  }
}
