import { itemWords } from '../../words/index.ts';
import { COUNT_WORDS } from '../counted/counted-by.ts';
import {
  isOneItem,
  NOTHING_CHOSEN,
  type OfferInWords,
  type Phrase,
  type Speech,
  said,
} from '../room/in-words.ts';
import { eachWords } from '../value/words.ts';
import type { QuantityBreakDocument } from './quantity-break.ts';

export const quantityBreakInWords: OfferInWords<QuantityBreakDocument> = {
  name: 'Quantity break',
  does: 'The more of it, the cheaper each: from 3 on, from 6 on',
  phrase,
  onTag({ items, count, tiers }, { currency, names }) {
    const steps = tiers.map(
      (tier) => [`from ${tier.atLeast}`, eachWords(tier, currency, names.writing)] as const,
    );
    const mixed = count === 'set' && !isOneItem(items);
    return { words: mixed ? 'More is cheaper, mixed' : 'More is cheaper', steps };
  },
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
