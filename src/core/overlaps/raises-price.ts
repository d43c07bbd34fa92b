import type { CompiledChange } from '../price-book/index.ts';
import { raisedField } from './field.ts';
import type { Finding } from './finding.ts';
import { gather, gathered, told } from './gathered.ts';
import { kindsFor } from './kinds-of-shopper.ts';
import { daysOf, type Scope } from './scope.ts';

/**
 * `raises-price`: a result above the base for some item, with or without `mayRaise`; `amount` is the most. Whoever has a
 * lower base by a price list keeps it, so that nobody is told of them; where it may raise, they are looked at too.
 */
export function raisesPrice(scope: Scope, change: CompiledChange): Finding[] {
  const { compiled } = scope;
  const { promotion } = change;
  const found = gathered();
  const meant = kindsFor(scope.kinds, promotion);
  const kinds = promotion.offer.mayRaise ? meant : meant.slice(0, 1);
  for (const { site, stores } of scope.placesOf(change)) {
    const spans = scope.spansOf(promotion, site);
    for (const day of daysOf(scope, site, spans))
      for (const shopper of kinds) {
        const raised = raisedField(compiled, change, site, day, shopper);
        if (raised.size > 0) gather(found, raised.keys(), stores, spans, Math.max(...raised.values()));
      }
  }
  return told(compiled, found, {
    code: 'raises-price',
    promotions: [promotion.id],
    open: promotion.when.to === null,
  });
}
