import type { OfferName } from '../room/in-words.ts';

export const PRICE_CHANGE_NAME: OfferName = {
  name: 'Price change',
  does: 'Another price on the shelf: a percentage less, a set price, a margin',
};
