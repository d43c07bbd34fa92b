import { pictureOf } from '../offer/index.ts';
import { linePricedItems, type PriceChangeDocument, type PromotionDocument } from '../plan/index.ts';
import type { Names } from '../words/index.ts';
import { itemWords } from '../words/index.ts';
import { decimalWords } from '../writing/index.ts';
import { dealFrame } from './deal-sentence.ts';
import { formulaWords, roundingWords } from './formula-words.ts';
import { offerWords } from './offers.ts';

/** One thing that two states of a promotion say otherwise. */
export interface Difference {
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

type Say = (promotion: PromotionDocument) => string;

/** What two states of a promotion say otherwise, field by field, in the order in which a sentence says it. */
export function differencesOf(
  before: PromotionDocument,
  after: PromotionDocument,
  currency: string,
  names: Names,
): Difference[] {
  const told = fields(currency, names).flatMap(([what, say]): Difference[] => {
    const [one, other] = [say(before), say(after)];
    return one === other ? [] : [{ what, before: one, after: other }];
  });
  const all = [...told, ...linePriceDifferences(before, after, names)];
  // Whatever has no words yet is told all the same: nobody approves what was not shown.
  const silent = all.length === 0 && JSON.stringify(before) !== JSON.stringify(after);
  return silent ? [{ what: 'Details', before: 'as they were', after: 'changed' }] : all;
}

const NOTHING = '–';

function fields(currency: string, names: Names): readonly (readonly [string, Say])[] {
  const frame = (promotion: PromotionDocument) => dealFrame(promotion, names);
  const priceChange =
    (say: (offer: PriceChangeDocument) => string): Say =>
    ({ offer }) =>
      offer.kind === 'priceChange' ? say(offer) : NOTHING;
  return [
    ['Name', ({ name }) => name],
    ['State', ({ status }) => status],
    ['When', (promotion) => frame(promotion).when],
    ['Where', (promotion) => frame(promotion).where],
    ['For whom', (promotion) => frame(promotion).who],
    [
      'Price',
      priceChange(({ formula, worksheet }) => {
        if (formula) return formulaWords(formula, currency, names).replace(/ (on|for)$/, '');
        return worksheet ? passesWords(worksheet.passes, currency, names) : 'prices line by line';
      }),
    ],
    ['Goods', priceChange(({ items, worksheet }) => (worksheet ? 'a worksheet' : itemWords(items, names)))],
    [
      'Rounding',
      priceChange(({ rounding }) => (rounding ? roundingWords(rounding, names.writing) : NOTHING)),
    ],
    [
      'On top',
      priceChange(({ onTop, of }) => (onTop ? (of === 'base' ? 'yes, from the base price' : 'yes') : 'no')),
    ],
    ['May raise prices', priceChange(({ mayRaise }) => (mayRaise ? 'yes' : 'no'))],
    ['Deal', ({ offer }) => (offer.kind === 'priceChange' ? NOTHING : offerWords(offer, currency, names))],
    ['Limits', (promotion) => frame(promotion).rest.join(', ') || NOTHING],
    ['Priority', ({ priority = 100 }) => String(priority)],
    [
      'Codes',
      ({ codes = [], codeBatches }) =>
        [...codes, ...(codeBatches ? ['those of its batches'] : [])].join(', ') || NOTHING,
    ],
    ['Label', ({ label }) => texts(label)],
    ['Badge', ({ badge }) => texts(badge)],
    ['Notes', ({ notes }) => notes || NOTHING],
    ['Supplier terms', ({ supplier }) => (supplier ? JSON.stringify(supplier) : NOTHING)],
    ['Picture', ({ offer }) => pictureOf(offer) ?? NOTHING],
  ];
}

const texts = (record: Readonly<Record<string, string>> | undefined): string =>
  Object.entries(record ?? {})
    .map(([language, text]) => (language === 'default' ? text : `${language}: ${text}`))
    .join('; ') || NOTHING;

const passesWords = (
  passes: NonNullable<PriceChangeDocument['worksheet']>['passes'],
  currency: string,
  names: Names,
): string =>
  passes
    .map(
      ({ formula, items, rounding }) =>
        `${formulaWords(formula, currency, names)} ${itemWords(items, names)}${rounding ? ` ${roundingWords(rounding, names.writing)}` : ''}`,
    )
    .join(', then ') || 'lines by hand';

/** So many single prices are told one by one. */
const NAMED = 12;

function linePriceDifferences(
  before: PromotionDocument,
  after: PromotionDocument,
  names: Names,
): Difference[] {
  const [one, other] = [pricesOf(before), pricesOf(after)];
  const keys = [...new Set([...one.keys(), ...other.keys()])].filter(
    (key) => one.get(key) !== other.get(key),
  );
  const told = keys.slice(0, NAMED).map((key): Difference => {
    const [sku = '', zone = '', store = ''] = key.split('\u001f');
    const where = zone ? `, ${names.zone(zone)}` : store ? `, ${names.store(store)}` : '';
    return {
      what: `Price of ${names.item(sku)}${where}`,
      before: decimalWords(one.get(key) ?? NOTHING, names.writing),
      after: decimalWords(other.get(key) ?? NOTHING, names.writing),
    };
  });
  const rest = keys.length - told.length;
  return rest > 0
    ? [
        ...told,
        {
          what: `${rest} more single prices`,
          before: `${itemsPriced(before)} items`,
          after: `${itemsPriced(after)} items`,
        },
      ]
    : told;
}

const itemsPriced = ({ offer }: PromotionDocument): number =>
  offer.kind === 'priceChange' ? linePricedItems(offer).size : 0;

/** Single prices under item, zone and store. */
function pricesOf({ offer }: PromotionDocument): Map<string, string> {
  const prices = new Map<string, string>();
  if (offer.kind !== 'priceChange') return prices;
  for (const [sku, price] of Object.entries(offer.linePrices ?? {})) prices.set(`${sku}\u001f\u001f`, price);
  for (const { zone, store, prices: of } of offer.linePricesIn ?? [])
    for (const [sku, price] of Object.entries(of))
      prices.set(`${sku}\u001f${zone ?? ''}\u001f${store ?? ''}`, price);
  return prices;
}
