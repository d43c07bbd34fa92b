import { type BasketOfferDocument, isBuyAndGet } from '../../../core/sentence/index.ts';
import { withSlot } from './combo-panel.tsx';
import { withBuy } from './mix-panel.tsx';

/** A panel that can be opened under the sentence, for what the sentence may not say yet. */
export interface Addition {
  readonly part: string;
  readonly words: string;
}

/** What a deal of this kind can say beside its sentence. */
export function additionsTo(offer: BasketOfferDocument): readonly Addition[] {
  switch (offer.kind) {
    case 'combo':
      return [
        ...(offer.value ? [] : [{ part: 'value', words: 'one price together' }]),
        { part: 'extra', words: 'what costs extra' },
        { part: 'picture', words: offer.picture ? 'the picture' : 'a picture' },
      ];
    case 'freeGoods':
      return [{ part: 'bounds', words: 'from how many on, at most how many' }];
    case 'basketReward':
      return [
        ...(offer.items ? [] : [{ part: 'items', words: 'only on some goods' }]),
        { part: 'conditions', words: 'conditions' },
        { part: 'beside', words: 'most, and with other deals' },
      ];
    case 'deliveryReward':
      return [
        { part: 'conditions', words: 'conditions' },
        { part: 'bounds', words: 'amount, ways and weight' },
      ];
    default:
      return [];
  }
}

/** A further part of the sentence that is added by one press, with its place in the offer. */
export interface Growth {
  readonly words: string;
  readonly part: string;
  readonly grown: () => BasketOfferDocument;
}

export function growthOf(offer: BasketOfferDocument): Growth | null {
  if (offer.kind === 'combo')
    return { words: 'another choice', part: `slots/${offer.slots.length}`, grown: () => withSlot(offer) };
  if (offer.kind === 'mixAndMatch' && isBuyAndGet(offer))
    return { words: 'another thing to buy', part: `buy/${offer.buy.length}`, grown: () => withBuy(offer) };
  return null;
}
