/** What the codes of a batch look like (one of a batch of single-use codes). */
export interface CodePattern {
  /** Signs drawn for each, beside what stands before and after. */
  readonly length: number;
  readonly of: 'letters' | 'digits' | 'both';
  readonly prefix: string;
  readonly suffix: string;
  /** After how many drawn signs a dash stands; null: nowhere. */
  readonly dashEvery: number | null;
}

/** Signs that are taken for each other, read from paper or heard. */
export const LOOK_ALIKES = '0O1IL2Z5S8B';
/** No look-alike, and no vowel: without one hardly a word comes about. */
const LETTERS = 'CDFGHJKMNPQRTVWXY';
const ALPHABETS = {
  letters: LETTERS,
  digits: '23456789',
  // A 6 is taken for a G among letters.
  both: `${LETTERS}3479`,
} as const;

export const alphabetOf = ({ of }: Pick<CodePattern, 'of'>): string => ALPHABETS[of];

/** How many codes it can give, unfortunate ones among them. */
export const patternSize = (pattern: CodePattern): bigint =>
  BigInt(alphabetOf(pattern).length) ** BigInt(pattern.length);

/** The look-alikes in what stands before or after, each once; digits and letters of a pattern of digits alone are told apart. */
export const lookAlikesIn = (text: string): readonly string[] => [
  ...new Set([...text.normalize('NFKC').toUpperCase()].filter((sign) => LOOK_ALIKES.includes(sign))),
];

/** What may stand before or after: letters, digits and dashes. */
export const BESIDE_DRAWN = /^[A-Za-z0-9-]*$/;
export const MOST_BESIDE = 12;
export const LEAST_LENGTH = 4;
export const MOST_LENGTH = 24;
