import { itemWords, moneyWords } from '../../words/index.ts';
import { percentWords } from '../../writing/index.ts';
import { conditionWords } from '../conditions/words.ts';
import { maybe, type OfferInWords, type Phrase, type Speech, said } from '../room/in-words.ts';
import type { BasketRewardDocument } from './basket-reward.ts';

export const basketRewardInWords: OfferInWords<BasketRewardDocument> = {
  name: 'Basket reward',
  does: 'Money off the whole basket, from an amount or a number on',
  phrase,
  begin: () => ({ kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '30', amountOff: '5' }] }),
};

function phrase(offer: BasketRewardDocument, { currency, names }: Speech): Phrase {
  const tiers = offer.tiers.map((tier) => {
    const from =
      offer.threshold === 'units'
        ? `${tier.atLeast} pieces`
        : `${moneyWords(tier.atLeast, currency, names.writing)}`;
    const off =
      'percentOff' in tier
        ? percentWords(tier.percentOff, names.writing)
        : `${moneyWords(amountIn(tier), currency, names.writing)}`;
    return `${off} less from ${from} on`;
  });
  const beside =
    offer.combinesWith === 'none'
      ? 'beside no other deal'
      : Array.isArray(offer.combinesWith)
        ? besideWords(offer.combinesWith.map(names.promotion))
        : '';
  return [
    said('tiers', tiers.join(', ')),
    ...(offer.items ? [' on ', said('items', itemWords(offer.items, names))] : []),
    ...maybe('measure', offer.measure === 'before' ? 'counted before other deals' : ''),
    ...maybe(
      'maxDiscount',
      offer.maxDiscount === undefined
        ? ''
        : `at most ${moneyWords(offer.maxDiscount, currency, names.writing)}`,
    ),
    ...maybe('skipDiscounted', offer.skipDiscounted ? 'not on what is reduced already' : ''),
    ...maybe('combinesWith', beside),
    ...maybe('conditions', conditionWords(offer.conditions, currency, names.writing)),
  ];
}

/** As many are named. */
const NAMED = 3;

function besideWords(rewards: readonly string[]): string {
  if (rewards.length === 0) return 'beside no other reward';
  const more = rewards.length - NAMED;
  const named = rewards.slice(0, NAMED).join(', ');
  return `beside ${named}${more > 0 ? ` and ${more} more ${more === 1 ? 'reward' : 'rewards'}` : ''} only`;
}

const amountIn = (tier: object): string => (tier as { amountOff: string }).amountOff;
