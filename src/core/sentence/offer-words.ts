import type { OfferDocument, PriceChangeDocument, ValueDocument } from '../plan/index.ts';
import { percentWords } from './formula-words.ts';
import type { Names } from './names.ts';
import { itemWords } from './rules.ts';

export type BasketOfferDocument = Exclude<OfferDocument, PriceChangeDocument>;
type Kind<K extends BasketOfferDocument['kind']> = Extract<BasketOfferDocument, { kind: K }>;

/** What an offer over the basket gives, as it is said after "all shoppers get". */
export function offerWords(offer: BasketOfferDocument, currency: string, names: Names): string {
  const goods = (rule: Parameters<typeof itemWords>[0]) => itemWords(rule, names);
  switch (offer.kind) {
    case 'quantityBreak':
      return `${goods(offer.items)} ${tierWords(offer, currency)}${countWords(offer.count)}`;
    case 'mixAndMatch':
      return mixWords(offer, currency, names);
    case 'combo': {
      const slots = offer.slots.map(({ name, quantity, each }) =>
        [
          quantity > 1 ? `${quantity} × ` : '',
          name,
          each === undefined ? '' : ` at ${each} ${currency}`,
        ].join(''),
      );
      return `${slots.join(' + ')}${offer.value ? ` ${togetherWords(offer.value, currency)}` : ''}`;
    }
    case 'freeGoods':
      return freeWords(offer, names);
    case 'basketReward':
      return rewardWords(offer, currency, names);
    case 'deliveryReward': {
      const { value, conditions } = offer;
      const from = conditions?.subtotal === undefined ? '' : ` from ${conditions.subtotal} ${currency} on`;
      if ('free' in value) return `free delivery${from}`;
      if ('flat' in value) return `delivery for ${value.flat} ${currency}${from}`;
      return `${percentWords(value.percentOff)} less on delivery${from}`;
    }
  }
}

function mixWords(offer: Kind<'mixAndMatch'>, currency: string, names: Names): string {
  if ('buy' in offer) {
    const bought = offer.buy.map(({ items, quantity }) => `${quantity} of ${itemWords(items, names)}`);
    const got = `${offer.get.quantity} of ${itemWords(offer.get.items, names)}`;
    const dearer = offer.notDearer ? ' that is not dearer' : '';
    return `${got}${dearer} ${eachWords(offer.value, currency)} with ${bought.join(' and ')}`;
  }
  const goods = itemWords(offer.items, names);
  if ('rewarded' in offer)
    return `the ${offer.rewarded === 1 ? '' : `${offer.rewarded} `}${offer.pick} of every ${offer.take} from ${goods} ${eachWords(offer.value, currency)}`;
  return `${offer.take} of ${goods} ${togetherWords(offer.value, currency)}`;
}

/** What is made of one unit. */
function eachWords(value: ValueDocument, currency: string): string {
  if ('each' in value) return `for ${value.each} ${currency} each`;
  if ('percentOff' in value)
    return value.percentOff === 10_000 ? 'free' : `at ${percentWords(value.percentOff)} less`;
  return 'amountOffEach' in value ? `at ${value.amountOffEach} ${currency} less each` : '';
}

/** What is made of several units together. */
function togetherWords(value: ValueDocument, currency: string): string {
  if ('total' in value) return `for ${value.total} ${currency}`;
  return 'amountOff' in value
    ? `at ${value.amountOff} ${currency} less together`
    : eachWords(value, currency);
}

function tierWords({ tiers, beyond }: Kind<'quantityBreak'>, currency: string): string {
  const words = tiers.map((tier) => `from ${tier.atLeast} on ${eachWords(tier, currency)}`);
  return words.join(', ') + (beyond ? ', for the units from there on' : '');
}

const countWords = (count: 'item' | 'family' | 'set'): string =>
  ({ item: ', each item by itself', family: ', variants together', set: '' })[count];

function freeWords(offer: Kind<'freeGoods'>, names: Names): string {
  const goods = itemWords(offer.items, names);
  const from = offer.minimum === undefined ? '' : `, from ${offer.minimum} on`;
  const most = offer.maxFree === undefined ? '' : `, at most ${offer.maxFree} free`;
  const given =
    offer.gift === undefined
      ? `${offer.free} free of every ${offer.every} from ${goods}`
      : `${offer.free} × ${names.item(offer.gift)} on top for every ${offer.every} from ${goods}`;
  return given + from + most;
}

function rewardWords(offer: Kind<'basketReward'>, currency: string, names: Names): string {
  const goods = offer.items ? ` on ${itemWords(offer.items, names)}` : '';
  const tiers = offer.tiers.map((tier) => {
    const from = offer.threshold === 'units' ? `${tier.atLeast} pieces` : `${tier.atLeast} ${currency}`;
    const off =
      'percentOff' in tier
        ? percentWords(tier.percentOff)
        : `${(tier as { amountOff: string }).amountOff} ${currency}`;
    return `${off} less from ${from} on`;
  });
  const most = offer.maxDiscount === undefined ? '' : `, at most ${offer.maxDiscount} ${currency}`;
  return `${tiers.join(', ')}${goods}${most}`;
}
