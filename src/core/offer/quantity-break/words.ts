import { itemWords } from '../../words/index.ts';
import { COUNT_WORDS } from '../counted/counted-by.ts';
import { NOTHING_CHOSEN, type OfferInWords, type Phrase, type Speech, said } from '../room/in-words.ts';
import { eachWords } from '../value/words.ts';
import type { QuantityBreakDocument } from './quantity-break.ts';

export const quantityBreakInWords: OfferInWords<QuantityBreakDocument> = {
  name: 'Quantity break',
  does: 'The more of it, the cheaper each: from 3 on, from 6 on',
  phrase,
  begin: () => ({
    kind: 'quantityBreak',
    items: NOTHING_CHOSEN,
    count: 'item',
    tiers: [{ atLeast: 3, percentOff: 1_000 }],
  }),
};

function phrase(offer: QuantityBreakDocument, { currency, names }: Speech): Phrase {
  const tiers = offer.tiers.map(
    (tier) => `from ${tier.atLeast} on ${eachWords(tier, currency, names.writing)}`,
  );
  return [
    said('items', itemWords(offer.items, names)),
    ' ',
    said('tiers', tiers.join(', ') + (offer.beyond ? ', for the units from there on' : '')),
    ', ',
    said('count', COUNT_WORDS[offer.count]),
  ];
}
