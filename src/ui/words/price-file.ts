import { numberWords } from '../../core/price-file/index.ts';

/** "price file 12", "price file 3 since the restore", "no price file". */
export const priceFileWords = (number: number | null): string =>
  number === null ? 'no price file' : `price file ${numberWords(number)}`;
