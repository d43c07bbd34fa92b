import { numberWords } from '../../core/price-file/index.ts';

/** "price file 12", "price file 3 since the restore", "no price file". */
export const priceFileWords = (number: number | null): string =>
  number === null ? 'no price file' : `price file ${numberWords(number)}`;

/** Who had price files made, where that was nobody. */
const BY_ITSELF: Readonly<Record<string, string>> = {
  'by-itself': 'Bell Tag itself, at its hour',
  renewal: 'Bell Tag itself, before they were over',
  restore: 'Bell Tag itself, after a restored backup',
  'set-up': 'the set-up',
};
export const senderWords = (by: string): string => BY_ITSELF[by] ?? by;
