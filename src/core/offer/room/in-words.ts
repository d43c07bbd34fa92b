import type { ItemRule } from '../../plan/index.ts';
import type { Names } from '../../words/index.ts';
import type { OfferPartDocument } from './offer-part.ts';

/** A part of an offer's words that can be changed in its place; `part` is where it stands in the offer. */
export interface PhrasePart {
  readonly part: string;
  readonly words: string;
}
/** What an offer over the basket gives, as it is said after "all shoppers get", part by part. */
export type Phrase = readonly (string | PhrasePart)[];

export interface Speech {
  readonly currency: string;
  readonly names: Names;
}

/** What a shelf tag says of an offer. */
export interface TagWords {
  readonly words: string;
  /** What each number of units comes to, where that is more than one line. */
  readonly steps?: readonly (readonly [from: string, what: string])[];
}

export interface OfferName {
  readonly name: string;
  /** What it is good for, to somebody who has to choose one. */
  readonly does: string;
}

/** How a kind of offer over the basket is called, and said. */
export interface OfferInWords<D> extends OfferName {
  phrase(offer: D, speech: Speech): Phrase;
  /** What it asks for, at the shelf of one of its goods: short, for whoever walks by. Absent: it is given on no goods. */
  onTag?(offer: D, speech: Speech): TagWords;
  /** How one of its parts is called where goods of it are missing; absent: "the goods". */
  nameOfPart?(offer: D, part: number): string | null;
  /** What a new one says, until its goods are chosen. */
  begin(): D;
}

/** Whether nothing can be mixed. */
export const isOneItem = (rule: ItemRule): boolean => 'items' in rule && rule.items.length === 1;

/** Goods that are still to be chosen. */
export const NOTHING_CHOSEN: ItemRule = { items: [] };
export const someToChoose = (quantity: number): OfferPartDocument => ({ items: NOTHING_CHOSEN, quantity });

export const said = (part: string, words: string): PhrasePart => ({ part, words });
/** A part that is said only where it is there. */
export const maybe = (part: string, words: string | undefined): Phrase =>
  words ? [', ', said(part, words)] : [];
