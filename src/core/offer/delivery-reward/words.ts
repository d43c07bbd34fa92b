import { moneyWords } from '../../words/index.ts';
import { percentWords } from '../../writing/index.ts';
import { conditionWords } from '../conditions/words.ts';
import { maybe, type OfferInWords, type Phrase, type Speech, said } from '../room/in-words.ts';
import type { DeliveryRewardDocument } from './delivery-reward.ts';

export const deliveryRewardInWords: OfferInWords<DeliveryRewardDocument> = {
  name: 'Delivery',
  does: 'Delivery free, at a flat price, or cheaper',
  phrase,
  begin: () => ({ kind: 'deliveryReward', conditions: { subtotal: '30' }, value: { free: true } }),
};

function phrase(offer: DeliveryRewardDocument, { currency, names }: Speech): Phrase {
  const { value, conditions: { subtotal, ...conditions } = {} } = offer;
  const given =
    'free' in value
      ? 'free delivery'
      : 'flat' in value
        ? `delivery for ${moneyWords(value.flat, currency, names.writing)}`
        : `${percentWords(value.percentOff, names.writing)} less on delivery`;
  return [
    said('value', given),
    ...(subtotal === undefined
      ? []
      : [' ', said('subtotal', `from ${moneyWords(subtotal, currency, names.writing)} on`)]),
    ...maybe('ways', offer.ways?.length ? `only by ${offer.ways.join(' or ')}` : ''),
    ...maybe(
      'maxItemWeight',
      offer.maxItemWeight === undefined ? '' : `nothing in it heavier than ${offer.maxItemWeight} kg`,
    ),
    ...maybe('conditions', conditionWords(conditions, currency, names.writing)),
  ];
}
