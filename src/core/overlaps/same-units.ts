import type { CompiledOffer } from '../price-book/index.ts';
import { isUnitOffer } from '../receipt/index.ts';
import type { Finding } from './finding.ts';
import { gather, gathered, told } from './gathered.ts';
import { bothOpen, meetingsOf } from './meeting.ts';
import { daysOf, type Scope } from './scope.ts';
import { soldOf } from './selected.ts';

/**
 * `same-units`: under policy `priority`, two unit offers of the same priority that can want the same units, so that the
 * id decides which of them gets them.
 */
export function sameUnits(scope: Scope, a: CompiledOffer, b: CompiledOffer): Finding[] {
  const { compiled } = scope;
  if (compiled.plan.policy.baskets !== 'priority') return [];
  if (a.promotion.priority !== b.promotion.priority) return [];
  if (!isUnitOffer(a.promotion.offer) || !isUnitOffer(b.promotion.offer)) return [];
  const found = gathered();
  for (const { site, stores, spans } of meetingsOf(scope, a, b))
    for (const day of daysOf(scope, site, spans)) {
      const there = goodsOf(scope, b, site, day);
      const both = [...goodsOf(scope, a, site, day)].filter((index) => there.has(index));
      if (both.length > 0) gather(found, both, stores, spans);
    }
  return told(compiled, found, {
    code: 'same-units',
    promotions: [a.promotion.id, b.promotion.id].sort(),
    open: bothOpen(a, b),
  });
}

/** Weighed goods take no part in unit offers. */
const goodsOf = (
  { compiled }: Scope,
  offer: CompiledOffer,
  site: Parameters<typeof soldOf>[2],
  day: Parameters<typeof soldOf>[3],
): ReadonlySet<number> =>
  new Set(
    offer
      .parts()
      .flatMap((part) => [...soldOf(compiled, part, site, day).keys()])
      .filter((index) => (compiled.catalogue.items[index]!.unit ?? 'each') === 'each'),
  );
