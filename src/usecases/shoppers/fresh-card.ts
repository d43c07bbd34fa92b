import { cardCheckDigit, normalCard } from '../../core/cards/index.ts';
import type { ShopperGroupDocument } from '../../core/plan/index.ts';
import type { CodeSeal, FreshCard } from '../ports/index.ts';

/** Cards of no kind of their own begin so; numbers that begin with 2 are for use within one's own house. */
const OF_THE_HOUSE = { prefix: '299', digits: 16 };
const LAST = 4;

/** What is kept of a card. */
export const cardKept = (seal: CodeSeal, number: string): FreshCard => ({
  hash: seal.hashOfCard(number),
  lastDigits: normalCard(number).slice(-LAST),
});

/** A number that nobody can guess from another one, of the kind of cards that tell one of these groups. */
export function drawCard(
  seal: CodeSeal,
  kinds: readonly ShopperGroupDocument[],
  groups: readonly string[],
): string {
  const { prefix, digits } =
    kinds.find(({ id, cards }) => cards && groups.includes(id))?.cards ?? OF_THE_HOUSE;
  const drawn = Array.from({ length: digits - prefix.length - 1 }, () => seal.pick(10)).join('');
  return `${prefix}${drawn}${cardCheckDigit(prefix + drawn)}`;
}
