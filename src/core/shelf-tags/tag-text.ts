import { formatWallTime, MINUTE, type WallTime, wallTime } from '../calendar/index.ts';
import { type Currency, formatAmount, type MinorUnits } from '../money/index.ts';
import type { PromotionDocument } from '../plan/index.ts';
import { isPriceChange } from '../plan/index.ts';
import { type Names, offerOnTag, type TagWords } from '../sentence/index.ts';
import { decimalWords, nearDateWords, nearMomentWords } from '../writing/index.ts';
import type { ShelfTag } from './shelf-tags.ts';
import type { DealOnTag } from './standing.ts';

/** A figure as it is set large: "25", ".90". */
export interface PriceText {
  readonly whole: string;
  /** With the sign before it; empty where the currency has no decimals. */
  readonly decimals: string;
  readonly currency: string;
}

export interface DealText extends TagWords {
  /** "Members only"; null: for everyone. */
  readonly who: string | null;
  readonly until: string | null;
}

/** All that is printed on one tag, in words. */
export interface TagText {
  readonly sku: string;
  readonly gtin: string | null;
  readonly shelf: string | null;
  readonly name: string;
  readonly price: PriceText;
  /** Whether a promotion made the price, and it is less than without. */
  readonly reduced: boolean;
  /** What the promotion says of itself to shoppers, and its few words for the shelf. */
  readonly label: string | null;
  readonly badge: string | null;
  readonly was: string | null;
  readonly until: string | null;
  readonly perUnit: string | null;
  readonly lowest: string | null;
  readonly deals: readonly DealText[];
  /** "Members: 7.50" */
  readonly forSome: readonly string[];
}

export interface TagSpeech {
  readonly currency: Currency;
  readonly names: Names;
  /** BCP 47 tag of the words for shoppers that are looked for first. */
  readonly language: string;
  /** Whether the lowest price of the thirty days before is told. */
  readonly tellsLowest: boolean;
  promotion(id: string): PromotionDocument | undefined;
}

const MEASURES = { kg: 'a kilogram', l: 'a litre', m: 'a metre', piece: 'a piece' } as const;

/** What a tag says, to a shopper who reads a language. */
export function tagText(tag: ShelfTag, speech: TagSpeech): TagText {
  const { names, tellsLowest } = speech;
  const amount = (minor: MinorUnits) => decimalWords(formatAmount(minor, speech.currency), names.writing);
  const by = tag.promotion === null ? undefined : speech.promotion(tag.promotion);
  const reduced = tag.was !== null;
  const { unitPrice } = tag;
  return {
    sku: tag.sku,
    gtin: tag.gtin,
    shelf: tag.shelf,
    name: tag.name,
    price: priceText(tag.price, speech),
    reduced,
    label: reduced ? inLanguage(by?.label, speech.language) : null,
    badge: inLanguage(by?.badge, speech.language),
    was: tag.was === null ? null : `was ${amount(tag.was)}`,
    until: reduced ? untilWords(tag, tag.promotion, speech) : null,
    perUnit: unitPrice && `${amount(unitPrice.price)} ${MEASURES[unitPrice.of]}`,
    lowest:
      tellsLowest && tag.lowestBefore !== null
        ? `lowest of the 30 days before: ${amount(tag.lowestBefore)}`
        : null,
    deals: tag.deals.flatMap((deal) => dealText(tag, deal, speech)),
    forSome: tag.forSome.map(({ group, price, promotion }) =>
      [`${groupWords(group, names)}: ${amount(price)}`, untilWords(tag, promotion, speech)]
        .filter((words) => words !== null)
        .join(', '),
    ),
  };
}

function priceText(minor: MinorUnits, { currency, names }: TagSpeech): PriceText {
  const { decimal } = names.writing;
  const words = decimalWords(formatAmount(minor, currency), names.writing);
  const at = currency.exponent === 0 ? words.length : words.lastIndexOf(decimal);
  return { whole: words.slice(0, at), decimals: words.slice(at), currency: currency.code };
}

/** The words of a language: its own, those of the language without its country, the default ones, any. */
export function inLanguage(
  texts: Readonly<Record<string, string>> | undefined,
  language: string,
): string | null {
  const ways = [language, language.split('-')[0]!, 'default'];
  const found = ways.map((way) => texts?.[way]).find((text) => text) ?? Object.values(texts ?? {})[0];
  return found || null;
}

const groupWords = (group: string | null, names: Names): string =>
  group === null ? 'With a card' : names.shopperGroup(group);

function dealText(tag: ShelfTag, { promotion: id, groups }: DealOnTag, speech: TagSpeech): DealText[] {
  const promotion = speech.promotion(id);
  if (!promotion || isPriceChange(promotion)) return [];
  const words = offerOnTag(
    promotion.offer as Parameters<typeof offerOnTag>[0],
    speech.currency.code,
    speech.names,
  );
  if (!words) return [];
  const only = groups?.length
    ? groups.map((group) => speech.names.shopperGroup(group)).join(', ')
    : 'With a card';
  const who = groups === null ? null : `${only} only`;
  return [{ ...words, who, until: untilWords(tag, id, speech) }];
}

function untilWords({ ends }: ShelfTag, id: string | null, speech: TagSpeech): string | null {
  const end = id === null ? null : (ends.get(id) ?? null);
  return end === null ? null : `until ${lastWords(end, speech)}`;
}

/** The day that an end leaves whole, or the moment where it ends within one: "Sat 5 Dec". */
function lastWords(end: WallTime, { names }: TagSpeech): string {
  const [, time] = formatWallTime(end).split('T');
  if (!time?.startsWith('00:00')) return nearMomentWords(formatWallTime(end).slice(0, 16), names.writing);
  return nearDateWords(formatWallTime(wallTime(end - MINUTE)).slice(0, 10), names.writing);
}
