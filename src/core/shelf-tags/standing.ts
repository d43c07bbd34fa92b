import type { Instant } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import { type Promotion, roomOf, type StoreDocument } from '../plan/index.ts';
import {
  barOf,
  type CompiledOffer,
  type CompiledPlan,
  pricesIn,
  type Situation,
  situationOf,
} from '../price-book/index.ts';
import { GUEST, type PriceAnswer, type Shopper } from '../tag-price/index.ts';

/** A deal that a tag tells of. */
export interface DealOnTag {
  readonly promotion: string;
  /** Kinds of shopper that it is for; null: whoever comes. Empty: whoever is known. */
  readonly groups: readonly string[] | null;
}

/** What it costs those of one kind, where that is less. */
export interface PriceForSome {
  /** Null: whoever is known. */
  readonly group: string | null;
  readonly price: MinorUnits;
  readonly promotion: string;
}

/** What is to hang at the shelf of an item, but for what does not change from day to day. */
export interface Standing {
  readonly price: MinorUnits;
  /** The price before it was reduced; null where it is not. */
  readonly was: MinorUnits | null;
  /** The promotion that made the price. */
  readonly promotion: string | null;
  readonly deals: readonly DealOnTag[];
  readonly forSome: readonly PriceForSome[];
}

/**
 * What hangs in a store at a moment, item by item: the price of a guest, deals on units, and what is cheaper for some.
 * What asks for a code hangs nowhere, nor what is given on whole baskets.
 * @returns null for what is not sold there and then.
 */
export function standingsAt(
  compiled: CompiledPlan,
  store: StoreDocument,
  at: Instant,
): (index: number) => Standing | null {
  const kinds = kindsAsked(compiled);
  const [guests, ...others] = [GUEST, ...kinds.map(shopperOf)].map((shopper) => {
    const situation = situationOf(compiled, store, { at, shopper });
    return { situation, priceOf: pricesIn(compiled, situation) };
  });
  const deals = compiled.offers
    .filter(({ promotion }) => roomOf(promotion.offer).over === 'units')
    .flatMap((offer) =>
      liveDeal(
        offer,
        guests!.situation,
        others.map(({ situation }) => situation),
        kinds,
      ),
    );
  const aloneIds = new Set(
    compiled.changes.flatMap(({ promotion }) => (promotion.alone ? [promotion.id] : [])),
  );
  return (index) => {
    const answer = guests!.priceOf(index);
    if (answer.kind === 'problem') return null;
    const made = madeBy(answer);
    const promotion = made[0] ?? null;
    const takesIn = ({ offer }: LiveDeal) =>
      offer.parts().some((part) => part.has(index, answer.regular.price));
    return {
      price: answer.price,
      was: promotion !== null && answer.price < answer.base.price ? answer.base.price : null,
      promotion,
      deals:
        promotion !== null && aloneIds.has(promotion) ? [] : deals.filter(takesIn).map(({ deal }) => deal),
      forSome: kinds.flatMap((group, i): PriceForSome[] => {
        const theirs = others[i]!.priceOf(index);
        if (theirs.kind === 'problem' || theirs.price >= answer.price) return [];
        // Where nothing but a price list of theirs makes it less, that is no offer to them.
        const by = madeBy(theirs).find((id) => !made.includes(id));
        return by === undefined ? [] : [{ group, price: theirs.price, promotion: by }];
      }),
    };
  };
}

/** The promotions that made a price, the one that set it first. */
const madeBy = ({ winner, onTop }: Extract<PriceAnswer, { kind: 'price' }>): string[] => [
  ...(winner ? [winner.promotion] : []),
  ...onTop.map(({ promotion }) => promotion),
];

interface LiveDeal {
  readonly offer: CompiledOffer;
  readonly deal: DealOnTag;
}

function liveDeal(
  offer: CompiledOffer,
  guests: Situation,
  others: readonly Situation[],
  kinds: readonly (string | null)[],
): LiveDeal[] {
  const { id } = offer.promotion;
  if (barOf(offer, guests) === null) return [{ offer, deal: { promotion: id, groups: null } }];
  const groups = kinds.filter((_, i) => barOf(offer, others[i]!) === null);
  if (groups.length === 0) return [];
  return [{ offer, deal: { promotion: id, groups: groups.includes(null) ? [] : (groups as string[]) } }];
}

/** Kinds of shopper for whom some approved promotion is and for guests not; null among them: whoever is known. */
export function kindsAsked({ plan }: CompiledPlan): (string | null)[] {
  const kinds = new Set<string | null>();
  for (const { status, who } of plan.promotions as readonly Promotion[]) {
    if (status !== 'approved' || who.kind === 'everyone' || who.guests) continue;
    for (const group of who.groups) kinds.add(group);
    if (who.anyShopper) kinds.add(null);
  }
  // The order of the plan is of no meaning: the same plan makes the same tags, however it was put together.
  return [...kinds].sort((a, b) => ((a ?? '') < (b ?? '') ? -1 : 1));
}

/** One of a kind of shopper; null: known, and of none. */
export const shopperOf = (group: string | null): Shopper => ({
  kind: 'shopper',
  id: null,
  groups: group === null ? [] : [group],
});

/** Whether one tag can hang for both. */
export function saysTheSame(a: Standing, b: Standing): boolean {
  return keyOf(a) === keyOf(b);
}

/** All of it as one text. */
export const keyOf = ({ price, was, promotion, deals, forSome }: Standing): string =>
  JSON.stringify([price, was, promotion, deals, forSome]);

/** Every promotion that a tag tells of. */
export const promotionsOn = ({ promotion, deals, forSome }: Standing): string[] => [
  ...(promotion === null ? [] : [promotion]),
  ...deals.map((deal) => deal.promotion),
  ...forSome.map((one) => one.promotion),
];
