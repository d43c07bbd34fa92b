import type { CountedBy, FreeGoods, Promotion, QuantityBreak, UnitOffer } from '../../plan/index.ts';
import type { ReceiptLine } from '../receipt.ts';
import { fromBase, fromTag, type StartingPrice, type Unit } from '../unit.ts';
import { bundleAutomaton } from './bundle.ts';
import { buyAndGetAutomaton } from './buy-and-get.ts';
import { comboAutomaton } from './combo.ts';
import { freeGoodsAutomaton, giftAutomaton } from './free-goods.ts';
import { canBegin, leastUnits } from './least-units.ts';
import { limitedGroups } from './limited-groups.ts';
import type { OfferAutomaton, OfferInBasket } from './offer-in-basket.ts';
import { quantityBreakAutomaton } from './quantity-break.ts';
import { rewardUnitAutomaton } from './reward-unit.ts';

export type UnitOfferPromotion = Promotion & { readonly offer: UnitOffer };

/** A live offer, and which units are among the goods of each of its parts. */
export interface LiveOffer {
  readonly promotion: UnitOfferPromotion;
  readonly fits: readonly ((unit: Unit) => boolean)[];
}

export interface Goods {
  skuOf(item: number): string;
  /** The parent of a variant, else the item itself: what a family is counted by. */
  familyOf(item: number): string;
  /** The tag price of a gift at the store; null: not carried there, or no price. */
  giftWorth(sku: string): number | null;
  /** How the tag price of a gift came about. */
  storyOf(item: number): Pick<ReceiptLine, 'regular' | 'base' | 'priceChange' | 'onTop'>;
}

/** Pricing rules 4.1: the offers as automata over the units that they may use. Counted ones come apart by what they count. */
export function offersInBasket(
  live: readonly LiveOffer[],
  units: readonly Unit[],
  goods: Goods,
): OfferInBasket[] {
  const offers: OfferInBasket[] = [];
  for (const one of live) {
    const members = units.filter((unit) => one.fits.some((fits) => fits(unit)));
    const { promotion, fits } = one;
    if (!canBegin(promotion.offer, members, fits)) continue;
    const startOf = promotion.startsFrom === 'base' ? fromBase : fromTag;
    const kindOf = kinds((unit) => {
      const parts = fits.map((has) => (has(unit) ? 1 : 0)).join('');
      return `${parts}${apart(promotion.offer, unit, goods)} ${unit.tag} ${unit.base}`;
    });
    for (const make of automataOf(one, members, startOf, goods))
      offers.push({
        name: promotion.id,
        rank: promotion.priority,
        levelOf: startOf,
        kindOf,
        mostOf: fromTag,
        automaton: make(offers.length),
      });
  }
  return offers;
}

/** Kinds under short names, each unit's looked at once: a search asks for them again and again. */
function kinds(describe: (unit: Unit) => string): (unit: Unit) => string {
  const names = new Map<string, string>();
  const known = new Map<Unit, string>();
  return (unit) => {
    const found = known.get(unit);
    if (found !== undefined) return found;
    const told = describe(unit);
    const name = names.get(told) ?? String(names.size);
    names.set(told, name);
    known.set(unit, name);
    return name;
  };
}

/** What else than its parts tells one unit from another: what it is counted by, or what it adds to a deal price. */
function apart(offer: UnitOffer, unit: Unit, goods: Goods): string {
  if ('count' in offer) return countedBy(offer.count, unit, goods);
  return offer.kind === 'combo' ? String(offer.extra.get(goods.skuOf(unit.item)) ?? '') : '';
}

type Make = (number: number) => OfferAutomaton;

function automataOf(
  { promotion, fits }: LiveOffer,
  members: readonly Unit[],
  start: StartingPrice,
  goods: Goods,
): Make[] {
  const { offer } = promotion;
  const limit = promotion.limitPerBasket ?? Number.POSITIVE_INFINITY;
  switch (offer.kind) {
    case 'bundle':
      return [(number) => bundleAutomaton(number, offer, members, start, limit)];
    case 'rewardUnit':
      return [(number) => rewardUnitAutomaton(number, offer, members, start, limit)];
    case 'buyAndGet':
      return [(number) => buyAndGetAutomaton(number, offer, members, start, limit, fits)];
    case 'combo':
      return [(number) => comboAutomaton(number, offer, members, start, limit, fits, goods.skuOf)];
    case 'quantityBreak':
      return counted(offer, members, goods, limit, (number, units) =>
        quantityBreakAutomaton(number, offer, units, start),
      );
    case 'freeGoods': {
      const worth = offer.gift === null ? null : goods.giftWorth(offer.gift);
      if (offer.gift !== null && worth === null) return [];
      return counted(offer, members, goods, limit, (number, units) =>
        worth === null
          ? freeGoodsAutomaton(number, offer, units, start)
          : giftAutomaton(number, offer, units, worth),
      );
    }
  }
}

/** What units are counted together by. */
export function countedBy(count: CountedBy, unit: Unit, goods: Goods): string {
  if (count === 'set') return '';
  return count === 'item' ? goods.skuOf(unit.item) : goods.familyOf(unit.item);
}

/** An automaton for each item, family or set of which there is enough. */
function counted(
  offer: QuantityBreak | FreeGoods,
  members: readonly Unit[],
  goods: Goods,
  limit: number,
  make: (number: number, units: readonly Unit[]) => OfferAutomaton,
): Make[] {
  const [least] = leastUnits(offer);
  const keyOf = (unit: Unit) => countedBy(offer.count, unit, goods);
  const groups = new Map<string, Unit[]>();
  for (const unit of members) {
    const group = groups.get(keyOf(unit));
    if (group) group.push(unit);
    else groups.set(keyOf(unit), [unit]);
  }
  for (const [key, units] of groups) if (units.length < least!) groups.delete(key);
  const all = [...groups.values()];
  if (limit >= all.length) return all.map((units) => (number) => make(number, units));
  const keys = [...groups.keys()];
  const groupOf = (unit: Unit) => keys.indexOf(keyOf(unit));
  return [
    (number) =>
      limitedGroups(
        number,
        all.map((units) => make(number, units)),
        groupOf,
        limit,
      ),
  ];
}
