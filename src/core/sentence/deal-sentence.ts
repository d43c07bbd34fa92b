import type { PassDocument, PriceChangeDocument, PromotionDocument, WhoDocument } from '../plan/index.ts';
import { formulaWords, restWords, roundingWords } from './formula-words.ts';
import type { Names } from './names.ts';
import { offerWords } from './offer-words.ts';
import { itemWords, storeWords } from './rules.ts';
import { whenWords } from './when-words.ts';

/** The parts of a deal sentence; the editor lets each be changed in its place. */
export interface DealSentence {
  readonly when: string;
  readonly where: string;
  readonly who: string;
  readonly formula: string;
  readonly items: string;
  readonly rest: readonly string[];
}

/** Takes a price change apart into words. */
export function dealSentence(
  promotion: Pick<PromotionDocument, 'when' | 'where' | 'who' | 'alone' | 'channels' | 'terminals' | 'codes'>,
  offer: PriceChangeDocument,
  currency: string,
  names: Names,
): DealSentence {
  return {
    when: capital(whenWords(promotion.when)),
    where: `in ${storeWords(promotion.where ?? { all: true }, names)}`,
    who: whoWords(promotion.who, names),
    ...goodsWords(offer, currency, names),
    rest: [...restWords(offer), ...frameWords(promotion)].filter((part) => part !== ''),
  };
}

/** What bounds a promotion of any kind beside its place, its time and its shoppers. */
function frameWords(
  promotion: Pick<PromotionDocument, 'alone' | 'channels' | 'terminals' | 'codes'>,
): string[] {
  return [
    promotion.alone ? 'and nothing adds to it' : '',
    promotion.channels ? `only in the channel ${promotion.channels.join(' or ')}` : '',
    promotion.terminals ? `only at the terminals ${promotion.terminals.join(' or ')}` : '',
    promotion.codes?.length ? 'with a code' : '',
  ];
}

/** How the price comes about, and for which goods. A worksheet is said by its passes, not by its lines. */
function goodsWords(
  { formula, items, worksheet }: PriceChangeDocument,
  currency: string,
  names: Names,
): Pick<DealSentence, 'formula' | 'items'> {
  if (formula) return { formula: formulaWords(formula, currency, names), items: itemWords(items, names) };
  const [first, ...others] = worksheet?.passes ?? [];
  if (!first) return { formula: 'prices of their own for', items: itemWords(items, names) };
  const goods = (pass: PassDocument) =>
    itemWords(pass.items, names) + (pass.rounding ? ` ${roundingWords(pass.rounding)}` : '');
  return {
    formula: formulaWords(first.formula, currency, names),
    items: [
      goods(first),
      ...others.map((pass) => `${formulaWords(pass.formula, currency, names)} ${goods(pass)}`),
    ].join(', then '),
  };
}

/** "From Thu 3 Dec 2026, 9:00 to Sun 6 Dec 2026, 20:00, in City stores, members pay 15 % less on Sun care." */
export function dealText(sentence: DealSentence): string {
  const { when, where, who, formula, items, rest } = sentence;
  const tail = rest.length > 0 ? `, ${rest.join(', ')}` : '';
  return `${when}, ${where}, ${who} pay ${formula} ${items}${tail}.`;
}

/** One promotion of any kind in one plain sentence. */
export function promotionText(promotion: PromotionDocument, currency: string, names: Names): string {
  if (promotion.offer.kind === 'priceChange')
    return dealText(dealSentence(promotion, promotion.offer, currency, names));
  const limit = promotion.limitPerBasket;
  const rest = [
    ...frameWords(promotion),
    limit === undefined ? '' : `at most ${limit === 1 ? 'once' : `${limit} times`} a basket`,
  ].filter((part) => part !== '');
  return `${[
    capital(whenWords(promotion.when)),
    `in ${storeWords(promotion.where ?? { all: true }, names)}`,
    `${whoWords(promotion.who, names)} get ${offerWords(promotion.offer, currency, names)}`,
    ...rest,
  ].join(', ')}.`;
}

function whoWords(who: WhoDocument | undefined, names: Names): string {
  if (!who) return 'all shoppers';
  const groups = (who.groups ?? []).map((id) => names.shopperGroup(id).toLowerCase());
  const shoppers = who.shoppers?.length ? [`${who.shoppers.length} named shoppers`] : [];
  const guests = who.guests ? ['guests'] : [];
  const all = [...groups, ...shoppers, ...guests];
  if (all.length === 0) return who.guests === false ? 'all but guests' : 'all shoppers';
  return all.length === 1 ? all[0]! : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
