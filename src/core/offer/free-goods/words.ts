import { itemWords } from '../../words/index.ts';
import { COUNT_WORDS } from '../counted/counted-by.ts';
import {
  maybe,
  NOTHING_CHOSEN,
  type OfferInWords,
  type Phrase,
  type Speech,
  said,
} from '../room/in-words.ts';
import type { FreeGoodsDocument } from './free-goods.ts';

export const freeGoodsInWords: OfferInWords<FreeGoodsDocument> = {
  name: 'Free goods',
  does: 'One free of every twelve, or a gift on top',
  phrase,
  onTag: ({ every, free, gift, minimum }, { names }) => ({
    words:
      (gift === undefined
        ? `${free} free of every ${every}`
        : `${free} × ${names.item(gift)} on top for every ${every}`) +
      (minimum === undefined ? '' : `, from ${minimum} on`),
  }),
  begin: () => ({
    kind: 'freeGoods',
    items: NOTHING_CHOSEN,
    count: 'set',
    every: 4,
    free: 1,
    parts: 'whole',
  }),
};

function phrase(offer: FreeGoodsDocument, { names }: Speech): Phrase {
  const given =
    offer.gift === undefined
      ? `${offer.free} free of every ${offer.every}`
      : `${offer.free} × ${names.item(offer.gift)} on top for every ${offer.every}`;
  return [
    said('every', given),
    ' from ',
    said('items', itemWords(offer.items, names)),
    ', ',
    said('count', COUNT_WORDS[offer.count]),
    ...maybe('minimum', offer.minimum === undefined ? '' : `from ${offer.minimum} on`),
    ...maybe('parts', offer.parts === 'prorated' ? 'in proportion for what lies between' : ''),
    ...maybe('maxFree', offer.maxFree === undefined ? '' : `at most ${offer.maxFree} free`),
  ];
}
