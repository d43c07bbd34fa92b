import { giftOf } from '../offer/index.ts';
import { type CompiledOffer, sellable, situationOf } from '../price-book/index.ts';
import { GUEST } from '../tag-price/index.ts';
import type { Finding } from './finding.ts';
import { type Scope, wholeOf } from './scope.ts';

/** `gift-not-carried`: stores of it in which the gift cannot be had when it begins to count. */
export function giftNotCarried(scope: Scope, offer: CompiledOffer): Finding[] {
  const { compiled } = scope;
  const { id, offer: document } = offer.promotion;
  const gift = giftOf(document);
  if (gift === null) return [];
  const index = compiled.catalogue.indexOf.get(gift)!;
  const without = scope.placesOf(offer).flatMap(({ site, stores }) => {
    const [first] = scope.spansOf(offer.promotion, site);
    if (!first) return [];
    return stores.filter((store) => {
      const situation = situationOf(compiled, compiled.stores.get(store)!, {
        at: first.from,
        shopper: GUEST,
      });
      return typeof sellable(compiled, situation, index) === 'string';
    });
  });
  if (without.length === 0) return [];
  const stores = compiled.plan.stores.map((store) => store.id).filter((store) => without.includes(store));
  return [{ code: 'gift-not-carried', promotions: [id], ...wholeOf(scope, offer), items: [gift], stores }];
}
