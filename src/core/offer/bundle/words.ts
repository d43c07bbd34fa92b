import { itemWords } from '../../words/index.ts';
import {
  isOneItem,
  NOTHING_CHOSEN,
  type OfferInWords,
  type Phrase,
  type Speech,
  said,
} from '../room/in-words.ts';
import { togetherWords } from '../value/words.ts';
import type { BundleDocument } from './bundle.ts';

export const bundleInWords: OfferInWords<BundleDocument> = {
  name: 'Several for one price',
  does: '3 for 11.00, or 2 at 20 % less, mixed from a choice',
  phrase,
  onTag: ({ items, take, value }, { currency, names }) => ({
    words: `${take} ${togetherWords(value, currency, names.writing)}${isOneItem(items) ? '' : ', mixed'}`,
  }),
  begin: () => ({ kind: 'mixAndMatch', items: NOTHING_CHOSEN, take: 3, value: { total: '10' } }),
};

function phrase(offer: BundleDocument, { currency, names }: Speech): Phrase {
  return [
    said('take', String(offer.take)),
    ' of ',
    said('items', itemWords(offer.items, names)),
    ' ',
    said('value', togetherWords(offer.value, currency, names.writing)),
  ];
}
