import { itemWords } from '../../words/index.ts';
import { type OfferInWords, type Phrase, type Speech, said, someToChoose } from '../room/in-words.ts';
import { eachWords } from '../value/words.ts';
import type { BuyAndGetDocument } from './buy-and-get.ts';

export const buyAndGetInWords: OfferInWords<BuyAndGetDocument> = {
  name: 'Buy these, get those',
  does: 'With two of these, one of those is free or cheaper',
  phrase,
  onTag: ({ buy, get, value }, { currency, names }) => ({
    words: `${get.quantity} × ${itemWords(get.items, names)} ${eachWords(value, currency, names.writing)} with ${buy
      .map(({ items, quantity }) => `${quantity} × ${itemWords(items, names)}`)
      .join(' and ')}`,
  }),
  nameOfPart: ({ buy }, part) => (part === buy.length ? 'what is got' : null),
  begin: () => ({
    kind: 'mixAndMatch',
    buy: [someToChoose(2)],
    get: someToChoose(1),
    value: { percentOff: 10_000 },
  }),
};

function phrase(offer: BuyAndGetDocument, { currency, names }: Speech): Phrase {
  const bought = offer.buy.flatMap(
    ({ items, quantity }, i): Phrase => [
      i === 0 ? '' : ' and ',
      said(`buy/${i}`, `${quantity} of ${itemWords(items, names)}`),
    ],
  );
  const dearer = offer.notDearer ? ' that is not dearer' : '';
  return [
    said('get', `${offer.get.quantity} of ${itemWords(offer.get.items, names)}${dearer}`),
    ' ',
    said('value', eachWords(offer.value, currency, names.writing)),
    ' with ',
    ...bought,
  ];
}
