import { itemWords } from '../../words/index.ts';
import { NOTHING_CHOSEN, type OfferInWords, type Phrase, type Speech, said } from '../room/in-words.ts';
import { eachWords } from '../value/words.ts';
import type { RewardUnitDocument } from './reward-unit.ts';

export const rewardUnitInWords: OfferInWords<RewardUnitDocument> = {
  name: 'One of several cheaper',
  does: 'The cheapest of every three is free, or half its price',
  phrase,
  onTag: ({ rewarded, pick, take, value }, { currency, names }) => ({
    words: `The ${rewarded === 1 ? '' : `${rewarded} `}${pick} of every ${take} ${eachWords(value, currency, names.writing)}`,
  }),
  begin: () => ({
    kind: 'mixAndMatch',
    items: NOTHING_CHOSEN,
    take: 3,
    rewarded: 1,
    pick: 'cheapest',
    value: { percentOff: 10_000 },
  }),
};

function phrase(offer: RewardUnitDocument, { currency, names }: Speech): Phrase {
  return [
    'the ',
    said('rewarded', `${offer.rewarded === 1 ? '' : `${offer.rewarded} `}${offer.pick}`),
    ' of every ',
    said('take', String(offer.take)),
    ' from ',
    said('items', itemWords(offer.items, names)),
    ' ',
    said('value', eachWords(offer.value, currency, names.writing)),
  ];
}
