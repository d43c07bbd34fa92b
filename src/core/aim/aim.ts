import type { ItemRule, OfferDocument, PromotionDocument } from '../plan/index.ts';

/** What a promotion that serves an aim begins with; its goods are still to be chosen where they are `NO_GOODS`. */
export interface Lead {
  readonly kind: 'lead';
  /** Why this fits, in one sentence. */
  readonly why: string;
  readonly offer: OfferDocument;
  readonly more: Partial<Pick<PromotionDocument, 'uses' | 'who' | 'limitPerBasket'>>;
  /** What to do first in the editor beside choosing the goods; null: nothing. */
  readonly first: string | null;
}

/** A question with the ways to answer it. */
export interface Question {
  readonly kind: 'question';
  readonly words: string;
  readonly answers: readonly Answer[];
}

export interface Answer {
  /** Stands in the address. */
  readonly key: string;
  readonly words: string;
  readonly leads: Question | Lead;
}

export const NO_GOODS: ItemRule = { items: [] };

/** Where answers, given one after another, lead; null where one of them is none. */
export function follow(from: Question, keys: readonly string[]): Question | Lead | null {
  let at: Question | Lead = from;
  for (const key of keys) {
    if (at.kind === 'lead') return null;
    const answer: Answer | undefined = at.answers.find((one) => one.key === key);
    if (!answer) return null;
    at = answer.leads;
  }
  return at;
}

/** The answers in words, as far as they are answers. */
export function answersInWords(from: Question, keys: readonly string[]): string[] {
  return keys.flatMap((key, i) => {
    const at = follow(from, keys.slice(0, i));
    const answer = at?.kind === 'question' ? at.answers.find((one) => one.key === key) : undefined;
    return answer ? [answer.words] : [];
  });
}
