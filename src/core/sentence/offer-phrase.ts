import type { OfferDocument, PriceChangeDocument } from '../plan/index.ts';
import { percentWords } from '../writing/index.ts';
import { conditionWords } from './condition-words.ts';
import { moneyWords } from './money-words.ts';
import type { Names } from './names.ts';
import { itemWords } from './rules.ts';
import { eachWords, togetherWords } from './value-words.ts';

export type BasketOfferDocument = Exclude<OfferDocument, PriceChangeDocument>;
export type OfferOf<K extends BasketOfferDocument['kind']> = Extract<BasketOfferDocument, { kind: K }>;
export type BuyAndGetDocument = Extract<BasketOfferDocument, { buy: unknown }>;
export type RewardUnitDocument = Extract<BasketOfferDocument, { rewarded: number }>;
export type BundleDocument = Exclude<OfferOf<'mixAndMatch'>, BuyAndGetDocument | RewardUnitDocument>;

export const isBuyAndGet = (offer: OfferOf<'mixAndMatch'>): offer is BuyAndGetDocument => 'buy' in offer;
export const isRewardUnit = (offer: OfferOf<'mixAndMatch'>): offer is RewardUnitDocument =>
  'rewarded' in offer;

/** A part of an offer's words that can be changed in its place; `part` is where it stands in the offer. */
export interface PhrasePart {
  readonly part: string;
  readonly words: string;
}
/** What an offer over the basket gives, as it is said after "all shoppers get", part by part. */
export type Phrase = readonly (string | PhrasePart)[];

interface Speech {
  readonly currency: string;
  readonly names: Names;
}

const said = (part: string, words: string): PhrasePart => ({ part, words });
/** A part that is said only where it is there. */
const maybe = (part: string, words: string | undefined): Phrase => (words ? [', ', said(part, words)] : []);

/** Takes an offer over the basket apart into words. */
export function offerPhrase(offer: BasketOfferDocument, currency: string, names: Names): Phrase {
  const speech = { currency, names };
  switch (offer.kind) {
    case 'quantityBreak':
      return breakPhrase(offer, speech);
    case 'mixAndMatch':
      if (isBuyAndGet(offer)) return buyPhrase(offer, speech);
      return isRewardUnit(offer) ? rewardUnitPhrase(offer, speech) : bundlePhrase(offer, speech);
    case 'combo':
      return comboPhrase(offer, speech);
    case 'freeGoods':
      return freePhrase(offer, speech);
    case 'basketReward':
      return rewardPhrase(offer, speech);
    case 'deliveryReward':
      return deliveryPhrase(offer, speech);
  }
}

/** The same in one string. */
export const offerWords = (offer: BasketOfferDocument, currency: string, names: Names): string =>
  offerPhrase(offer, currency, names)
    .map((part) => (typeof part === 'string' ? part : part.words))
    .join('');

function breakPhrase(offer: OfferOf<'quantityBreak'>, { currency, names }: Speech): Phrase {
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

/** How units are counted together. */
export const COUNT_WORDS = {
  item: 'each item by itself',
  family: 'variants together',
  set: 'all of them together',
} as const;

function bundlePhrase(offer: BundleDocument, { currency, names }: Speech): Phrase {
  return [
    said('take', String(offer.take)),
    ' of ',
    said('items', itemWords(offer.items, names)),
    ' ',
    said('value', togetherWords(offer.value, currency, names.writing)),
  ];
}

function rewardUnitPhrase(offer: RewardUnitDocument, { currency, names }: Speech): Phrase {
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

function buyPhrase(offer: BuyAndGetDocument, { currency, names }: Speech): Phrase {
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

function comboPhrase({ slots, value, extra }: OfferOf<'combo'>, { currency, names }: Speech): Phrase {
  const filled = slots.flatMap(({ name, items, quantity, each }, i): Phrase => {
    const many = quantity > 1 ? `${quantity} × ` : '';
    const price = each === undefined ? '' : ` at ${moneyWords(each, currency, names.writing)}`;
    const goods = itemWords(items, names);
    // A name that says no more than the goods is not said twice.
    const choice = same(name, goods) ? name : `${name || 'a choice without a name'} (${goods})`;
    return [i === 0 ? '' : ' + ', said(`slots/${i}`, `${many}${choice}${price}`)];
  });
  const extras = Object.entries(extra ?? {}).map(
    ([sku, amount]) => `${names.item(sku)} for ${moneyWords(amount, currency, names.writing)} more`,
  );
  return [
    ...filled,
    ...(value ? [' ', said('value', togetherWords(value, currency, names.writing))] : []),
    ...maybe('extra', extras.join(', ')),
  ];
}

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

function freePhrase(offer: OfferOf<'freeGoods'>, { names }: Speech): Phrase {
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

/** As many are named. */
const NAMED = 3;

function besideWords(rewards: readonly string[]): string {
  if (rewards.length === 0) return 'beside no other reward';
  const more = rewards.length - NAMED;
  const named = rewards.slice(0, NAMED).join(', ');
  return `beside ${named}${more > 0 ? ` and ${more} more ${more === 1 ? 'reward' : 'rewards'}` : ''} only`;
}

function rewardPhrase(offer: OfferOf<'basketReward'>, { currency, names }: Speech): Phrase {
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

const amountIn = (tier: object): string => (tier as { amountOff: string }).amountOff;

function deliveryPhrase(offer: OfferOf<'deliveryReward'>, { currency, names }: Speech): Phrase {
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
