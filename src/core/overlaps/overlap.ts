import type { CompiledChange } from '../price-book/index.ts';
import { fieldOf } from './field.ts';
import type { Finding } from './finding.ts';
import { gather, gathered, told } from './gathered.ts';
import { bothOpen, kindsForBoth, meetingsOf } from './meeting.ts';
import { daysOf, type Scope } from './scope.ts';

/**
 * `overlap`: two price changes of the same priority are candidates for one item, store and hour, so that only the
 * result or the id decides between them. Those on top come one after another anyway.
 */
export function overlapping(scope: Scope, a: CompiledChange, b: CompiledChange): Finding[] {
  if (a.promotion.priority !== b.promotion.priority) return [];
  if (a.promotion.offer.onTop || b.promotion.offer.onTop) return [];
  const { compiled } = scope;
  const found = gathered();
  const shoppers = kindsForBoth(scope, a, b);
  for (const { site, stores, spans } of meetingsOf(scope, a, b))
    for (const day of daysOf(scope, site, spans))
      for (const shopper of shoppers) {
        const there = fieldOf(compiled, b, site, day, shopper);
        if (there.size === 0) continue;
        const both = [...fieldOf(compiled, a, site, day, shopper).keys()].filter((index) => there.has(index));
        if (both.length > 0) gather(found, both, stores, spans);
      }
  return told(compiled, found, {
    code: 'overlap',
    promotions: [a.promotion.id, b.promotion.id].sort(),
    open: bothOpen(a, b),
  });
}
