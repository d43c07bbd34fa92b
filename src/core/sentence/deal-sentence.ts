import type { PassDocument, PriceChangeDocument, PromotionDocument, WhoDocument } from '../plan/index.ts';
import type { Names } from '../words/index.ts';
import { itemWords, storeWords } from '../words/index.ts';
import { capital } from './capital.ts';
import { formulaWords, restWords, roundingWords } from './formula-words.ts';
import { offerWords } from './offers.ts';
import { whenWords } from './when-words.ts';

/** What is said of a promotion of any kind; the editor lets each part be changed in its place. */
export interface DealFrame {
  readonly when: string;
  readonly where: string;
  readonly who: string;
  readonly rest: readonly string[];
}

/** The parts of the sentence of a price change. */
export interface DealSentence extends DealFrame {
  readonly formula: string;
  readonly items: string;
}

type Framed = Omit<PromotionDocument, 'offer'>;

/** When, where and for whom a promotion is, and what bounds it beside. */
export function dealFrame(promotion: Framed, names: Names): DealFrame {
  return {
    when: capital(whenWords(promotion.when, names.writing)),
    where: `in ${storeWords(promotion.where ?? { all: true }, names)}`,
    who: whoWords(promotion.who, names),
    rest: boundWords(promotion),
  };
}

/** Takes a price change apart into words. */
export function dealSentence(
  promotion: Framed,
  offer: PriceChangeDocument,
  currency: string,
  names: Names,
): DealSentence {
  const frame = dealFrame(promotion, names);
  return {
    ...frame,
    ...goodsWords(offer, currency, names),
    rest: [...restWords(offer, names.writing).filter((part) => part !== ''), ...frame.rest],
  };
}

/** What bounds a promotion of any kind beside its place, its time and its shoppers. */
function boundWords(promotion: Framed): string[] {
  const { alone, channels, terminals, codes, codeBatches, startsFrom, limitPerBasket, uses = {} } = promotion;
  const limit = (count: number | undefined, words: string) =>
    count === undefined ? '' : `at most ${times(count)} ${words}`;
  const units = (count: number | undefined, words: string) =>
    count === undefined ? '' : `at most ${count === 1 ? 'one unit' : `${count} units`} ${words}`;
  const each = uses.every ? ` each ${uses.every}` : '';
  return [
    alone ? 'and nothing adds to it' : '',
    startsFrom === 'base' ? 'counted from the price before any price change' : '',
    channels ? `only in the channel ${channels.join(' or ')}` : '',
    terminals ? `only at the terminals ${terminals.join(' or ')}` : '',
    codes?.length || codeBatches ? 'with a code' : '',
    limit(limitPerBasket, 'a basket'),
    limit(uses.perShopper, `a shopper${each}`),
    limit(uses.perCode, `a code${each}`),
    limit(uses.inAll, `in all${each}`),
    units(uses.unitsPerShopper, `a shopper${each}`),
    units(uses.unitsPerCode, `a code${each}`),
    units(uses.unitsInAll, `in all${each}`),
  ].filter((part) => part !== '');
}

const times = (count: number): string => (count === 1 ? 'once' : `${count} times`);

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
    itemWords(pass.items, names) + (pass.rounding ? ` ${roundingWords(pass.rounding, names.writing)}` : '');
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
  const { when, where, who, rest } = dealFrame(promotion, names);
  const offer = offerWords(promotion.offer, currency, names);
  return `${[when, where, `${who} get ${offer}`, ...rest].join(', ')}.`;
}

/** More numbers are counted, not told. */
const NUMBERS_TOLD = 3;

/** Accounts by name, anybody else by number: what people are called no plan knows. */
function namedWords(ids: readonly string[], names: Names): string[] {
  const accounts = ids.flatMap((id) => names.account(id) ?? []);
  const numbers = ids.filter((id) => names.account(id) === null);
  const people =
    numbers.length > NUMBERS_TOLD
      ? `${numbers.length} shoppers by number`
      : `those with the ${numbers.length === 1 ? 'number' : 'numbers'} ${inRow(numbers)}`;
  return [...accounts.map((name) => `the people of ${name}`), ...(numbers.length > 0 ? [people] : [])];
}

const inRow = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`;

function whoWords(who: WhoDocument | undefined, names: Names): string {
  if (!who) return 'all shoppers';
  const groups = (who.groups ?? []).map((id) => names.shopperGroup(id).toLowerCase());
  const shoppers = namedWords(who.shoppers ?? [], names);
  const guests = who.guests ? ['guests'] : [];
  const all = [...groups, ...shoppers, ...guests];
  if (all.length === 0) return who.guests === false ? 'all but guests' : 'all shoppers';
  return inRow(all);
}
