export {
  COUNT_WORDS,
  NOTHING_CHOSEN,
  type OfferName,
  type Phrase,
  type PhrasePart,
  type TagWords,
} from '../offer/index.ts';
export { itemWords, type Names, namesOf, storeWords } from '../words/index.ts';
export { withoutDates } from './dates-words.ts';
export * from './deal-sentence.ts';
export * from './difference.ts';
export * from './duration-words.ts';
export * from './formula-words.ts';
export * from './offers.ts';
export * from './when-words.ts';
