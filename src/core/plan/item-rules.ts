import type { Fault } from '../checking/index.ts';
import type { MapRule } from '../offer/index.ts';
import type { ItemRule } from './document.ts';
import { type Offer, type OfferDocument, roomOf } from './offers.ts';

export interface PlacedRule {
  readonly rule: ItemRule;
  /** Where it stands in the offer. */
  readonly at: Fault['path'];
}

/** The item rules of an offer of any kind, in the order of its parts; those of a worksheet's passes after its goods. */
export function itemRulesIn(offer: OfferDocument | Offer): readonly PlacedRule[] {
  const found: PlacedRule[] = [];
  withRules(offer, (rule, at) => {
    found.push({ rule, at });
    return rule;
  });
  return found;
}

/** The same offer with other item rules. */
export const withRules = <T extends OfferDocument | Offer>(offer: T, map: MapRule): T =>
  roomOf(offer).withRules(offer, map);
