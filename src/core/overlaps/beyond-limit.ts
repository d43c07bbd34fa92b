import type { CompiledOffer } from '../price-book/index.ts';
import { isUnitOffer, unitOfferRoom } from '../receipt/index.ts';
import type { Finding } from './finding.ts';
import { type Scope, wholeOf } from './scope.ts';

/** `never-reached`: its own limit in units is less than one application, or than a tier of it, uses. */
export function beyondLimit(scope: Scope, deal: CompiledOffer): Finding[] {
  const { offer, id, uses } = deal.promotion;
  const limits = [uses.unitsInAll, uses.unitsPerShopper, uses.unitsPerCode];
  const most = Math.min(...limits.map((limit) => limit ?? Number.POSITIVE_INFINITY));
  if (most === Number.POSITIVE_INFINITY || !isUnitOffer(offer)) return [];
  const whole = { code: 'never-reached' as const, promotions: [id], ...wholeOf(scope, deal) };
  const once = unitOfferRoom(offer)
    .leastUnits(offer)
    .reduce((sum, units) => sum + units, 0);
  if (once > most) return [{ ...whole, part: { kind: 'limit', at: most } }];
  const tiers = 'tiers' in offer ? offer.tiers.filter(({ atLeast }) => atLeast > most) : [];
  return tiers.map(({ atLeast }) => ({ ...whole, part: { kind: 'tier', at: atLeast } }));
}
