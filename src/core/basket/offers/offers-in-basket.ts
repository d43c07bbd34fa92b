import type { CountedBy, FreeGoods, Promotion, QuantityBreak, UnitOffer } from '../../plan/index.ts';
import type { ReceiptLine } from '../receipt.ts';
import { fromBase, fromTag, type StartingPrice, type Unit } from '../unit.ts';
import { bundleMachine } from './bundle.ts';
import { buyAndGetMachine } from './buy-and-get.ts';
import { comboMachine } from './combo.ts';
import { freeGoodsMachine, giftMachine } from './free-goods.ts';
import { canBegin, leastUnits } from './least-units.ts';
import { limitedGroups } from './limited-groups.ts';
import type { OfferMachine } from './machine.ts';
import type { OfferInBasket } from './offer-in-basket.ts';
import { quantityBreakMachine } from './quantity-break.ts';
import { rewardUnitMachine } from './reward-unit.ts';

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

/** Pricing rules 4.1: the offers as machines over the units that they may use. Counted ones come apart by what they count. */
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
    const kindOf = (unit: Unit) =>
      fits.map((has) => (has(unit) ? 1 : 0)).join('') + apart(promotion.offer, unit, goods);
    const { id, priority } = promotion;
    for (const make of machinesOf(one, members, startOf, goods))
      offers.push({ promotion: id, priority, startOf, kindOf, machine: make(offers.length) });
  }
  return offers;
}

/** What else than its parts tells one unit from another: what it is counted by, or what it adds to a deal price. */
function apart(offer: UnitOffer, unit: Unit, goods: Goods): string {
  if ('count' in offer) return countedBy(offer.count, unit, goods);
  return offer.kind === 'combo' ? String(offer.extra.get(goods.skuOf(unit.item)) ?? '') : '';
}

type Make = (number: number) => OfferMachine;

function machinesOf(
  { promotion, fits }: LiveOffer,
  members: readonly Unit[],
  start: StartingPrice,
  goods: Goods,
): Make[] {
  const { offer } = promotion;
  const limit = promotion.limitPerBasket ?? Number.POSITIVE_INFINITY;
  switch (offer.kind) {
    case 'bundle':
      return [(number) => bundleMachine(number, offer, members, start, limit)];
    case 'rewardUnit':
      return [(number) => rewardUnitMachine(number, offer, members, start, limit)];
    case 'buyAndGet':
      return [(number) => buyAndGetMachine(number, offer, members, start, limit, fits)];
    case 'combo':
      return [(number) => comboMachine(number, offer, members, start, limit, fits, goods.skuOf)];
    case 'quantityBreak':
      return counted(offer, members, goods, limit, (number, units) =>
        quantityBreakMachine(number, offer, units, start),
      );
    case 'freeGoods': {
      const worth = offer.gift === null ? null : goods.giftWorth(offer.gift);
      if (offer.gift !== null && worth === null) return [];
      return counted(offer, members, goods, limit, (number, units) =>
        worth === null
          ? freeGoodsMachine(number, offer, units, start)
          : giftMachine(number, offer, units, worth),
      );
    }
  }
}

/** What units are counted together by. */
export function countedBy(count: CountedBy, unit: Unit, goods: Goods): string {
  if (count === 'set') return '';
  return count === 'item' ? goods.skuOf(unit.item) : goods.familyOf(unit.item);
}

/** A machine for each item, family or set of which there is enough. */
function counted(
  offer: QuantityBreak | FreeGoods,
  members: readonly Unit[],
  goods: Goods,
  limit: number,
  make: (number: number, units: readonly Unit[]) => OfferMachine,
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
