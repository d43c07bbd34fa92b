import { isBasketReward } from '../offer/index.ts';
import { type PromotionDocument, roomOf } from '../plan/index.ts';

/** What two promotions do where both want the same goods, or the same basket. */
export type Together =
  /** Both count. */
  | 'both'
  /** One of them counts on each unit. */
  | 'one'
  /** Neither counts where the other does. */
  | 'apart';

/** What a promotion lowers: the tag, units of a basket, a basket, its delivery. */
export type Sort = 'tag' | 'units' | 'basket' | 'delivery';

/** A promotion as far as it says with what it goes. */
export type Combining = Pick<PromotionDocument, 'id' | 'alone' | 'startsFrom' | 'offer'>;

const SORTS = { shelf: 'tag', units: 'units', goods: 'basket', delivery: 'delivery' } as const;

export const sortOf = ({ offer }: Pick<Combining, 'offer'>): Sort => SORTS[roomOf(offer).over];

/** Pricing rules 3.5, 4.1 and 4.3: how two promotions stand together. */
export function together(a: Combining, b: Combining): Together {
  const [first, second] = ORDER[sortOf(a)] <= ORDER[sortOf(b)] ? [a, b] : [b, a];
  const sorts = `${sortOf(first)} ${sortOf(second)}`;
  switch (sorts) {
    case 'tag tag':
      return onTop(first) === onTop(second) && !onTop(first)
        ? 'one'
        : first.alone || second.alone
          ? 'one'
          : 'both';
    case 'tag units':
      return first.alone || second.startsFrom === 'base' ? 'one' : 'both';
    case 'tag basket':
      return first.alone ? 'one' : 'both';
    case 'units units':
      return 'one';
    case 'units basket':
      return admitsNothing(second) ? 'apart' : first.alone ? 'one' : 'both';
    case 'basket basket':
      return admits(first, second) && admits(second, first) ? 'both' : 'apart';
    case 'delivery delivery':
      return 'one';
    default:
      return 'both';
  }
}

/**
 * The promotions as they would have to be so that the two stand together otherwise: both where they did not, and not
 * both where they did. Null: that is not for these two alone to say.
 * @param all promotions of the plan, of which a reward that stops going with one names the others.
 */
export function otherwise(
  a: Combining,
  b: Combining,
  all: readonly Combining[],
): readonly Combining[] | null {
  const [first, second] = ORDER[sortOf(a)] <= ORDER[sortOf(b)] ? [a, b] : [b, a];
  const now = together(a, b);
  switch (`${sortOf(first)} ${sortOf(second)}`) {
    case 'tag units':
      if (now === 'both') return [{ ...second, startsFrom: 'base' }];
      return first.alone ? null : [without(second, 'startsFrom')];
    case 'units basket':
      if (now === 'both') return [{ ...first, alone: true }];
      return [
        ...(first.alone ? [without(first, 'alone')] : []),
        ...(admitsNothing(second) ? [naming(second, [])] : []),
      ];
    case 'basket basket':
      if (now === 'both')
        return [
          naming(
            first,
            idsBeside(first, all).filter((id) => id !== second.id),
          ),
        ];
      return [
        ...(admits(first, second) ? [] : [naming(first, [...named(first), second.id])]),
        ...(admits(second, first) ? [] : [naming(second, [...named(second), first.id])]),
      ];
    default:
      return null;
  }
}

const ORDER: Readonly<Record<Sort, number>> = { tag: 0, units: 1, basket: 2, delivery: 3 };

const onTop = ({ offer }: Combining): boolean => offer.kind === 'priceChange' && offer.onTop === true;

function without<K extends 'alone' | 'startsFrom'>(promotion: Combining, key: K): Combining {
  const { [key]: _, ...rest } = promotion;
  return rest as Combining;
}

const beside = ({ offer }: Combining): 'all' | 'none' | readonly string[] =>
  isBasketReward(offer) ? (offer.combinesWith ?? 'all') : 'all';

const admitsNothing = (one: Combining): boolean => beside(one) === 'none';

function admits(one: Combining, { id }: Combining): boolean {
  const who = beside(one);
  return who === 'all' || (who !== 'none' && who.includes(id));
}

function named(one: Combining): readonly string[] {
  const who = beside(one);
  return typeof who === 'string' ? [] : who;
}

/** The rewards that one goes with, by name. */
function idsBeside(one: Combining, all: readonly Combining[]): readonly string[] {
  const who = beside(one);
  if (who !== 'all') return named(one);
  const others = all.filter((other) => sortOf(other) === 'basket' && other.id !== one.id);
  return [...new Set(others.map(({ id }) => id))];
}

const naming = (one: Combining, ids: readonly string[]): Combining =>
  isBasketReward(one.offer) ? { ...one, offer: { ...one.offer, combinesWith: [...ids] } } : one;
