import { OF_CARD } from '../src/contracts/index.ts';
import { normalCard } from '../src/core/cards/index.ts';
import type { CardTalk } from './card-talk.ts';

/** What came of a card that was held out. */
export interface ShownCard {
  readonly lastDigits: string;
  /** `blank`: cut off, it is known by the first digits of its number alone. */
  readonly state: 'known' | 'blank' | 'unknown' | 'slowed' | 'unchecked';
}

/**
 * A basket with whoever holds out a card as its shopper. Cut off, the first digits of a card may still tell a kind of
 * shopper; of any other card nobody knows anything then.
 * @param kinds the kinds of shopper that the price file knows: of one that was made since, it cannot ring anything.
 * @param groupOf the kind of shopper whose cards are numbered so, by the price file; null: none.
 */
export async function withCard(
  raw: unknown,
  talk: CardTalk,
  kinds: ReadonlySet<string>,
  groupOf: (card: string) => string | null,
): Promise<{ basket: unknown; card: ShownCard | null }> {
  if (typeof raw !== 'object' || raw === null || !('card' in raw)) return { basket: raw, card: null };
  const { card: said, ...basket } = raw as { card: unknown; shopper?: unknown };
  const number = normalCard(typeof said === 'string' ? said : '');
  if (number === '') return { basket, card: null };
  const told = (state: ShownCard['state'], shopper?: object) => ({
    basket: shopper === undefined ? basket : { ...basket, shopper: alsoOf(shopper, basket.shopper) },
    card: { lastDigits: number.slice(-4), state },
  });
  const vouched = await talk(number);
  if (vouched?.shopper) {
    const groups = vouched.shopper.groups.filter((group) => kinds.has(group));
    return told('known', { ...vouched.shopper, groups });
  }
  if (vouched) return told(vouched.wait > 0 ? 'slowed' : 'unknown');
  const group = groupOf(number);
  return group === null ? told('unchecked') : told('blank', { id: `${OF_CARD}${number}`, groups: [group] });
}

/** A kind of shopper that the till was told of by hand holds beside those of the card. */
function alsoOf(shopper: object, said: unknown): object {
  const { groups = [] } = shopper as { groups?: readonly string[] };
  const { groups: more } = (typeof said === 'object' && said !== null ? said : {}) as { groups?: unknown };
  return Array.isArray(more) ? { ...shopper, groups: [...new Set([...groups, ...more])] } : shopper;
}
