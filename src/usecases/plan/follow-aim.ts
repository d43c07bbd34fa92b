import { AIMS, answersInWords, follow, type Lead, type Question } from '../../core/aim/index.ts';

export interface FollowedAim {
  /** The answers given so far; none where one of them is no answer. */
  readonly keys: readonly string[];
  readonly words: readonly string[];
  readonly at: Question | Lead;
}

/** Where answers lead that stand in an address with points between, "bigger.along.kit". */
export function followAim(text: string | null): FollowedAim {
  const asked = (text ?? '').split('.').filter(Boolean);
  const found = follow(AIMS, asked);
  return found
    ? { keys: asked, words: answersInWords(AIMS, asked).map(asContinued), at: found }
    : { keys: [], words: [], at: AIMS };
}

/** Answers are read one after another: all but the first go on in the middle of a line. */
const asContinued = (words: string, i: number): string =>
  i === 0 ? words : words.charAt(0).toLowerCase() + words.slice(1);
