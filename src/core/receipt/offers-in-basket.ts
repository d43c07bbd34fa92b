import { fromBase, fromTag, type Goods, type OfferInBasket, type Unit } from '../offer/index.ts';
import { canBegin } from './can-begin.ts';
import { type UnitOfferPromotion, unitOfferRoom } from './unit-offers.ts';

/** A live offer, and which units are among the goods of each of its parts. */
export interface LiveOffer {
  readonly promotion: UnitOfferPromotion;
  readonly fits: readonly ((unit: Unit) => boolean)[];
  /** How many units it may use in the whole basket; infinite: as many as one likes. */
  readonly unitsLeft: number;
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
    const { promotion, fits, unitsLeft } = one;
    const room = unitOfferRoom(promotion.offer);
    const least = room.leastUnits(promotion.offer);
    if (!canBegin(least, members, fits)) continue;
    const once = least.reduce((sum, quantity) => sum + quantity, 0);
    if (once > unitsLeft) continue;
    const startOf = promotion.startsFrom === 'base' ? fromBase : fromTag;
    const said = promotion.limitPerBasket ?? Number.POSITIVE_INFINITY;
    // What counts units together uses any number of them at once; all others always the same.
    const limit = room.counted ? said : Math.min(said, Math.floor(unitsLeft / once));
    const terms = { start: startOf, limit, most: unitsLeft, fits, goods };
    const kindOf = kinds((unit) => {
      const parts = fits.map((has) => (has(unit) ? 1 : 0)).join('');
      return `${parts}${room.apart?.(promotion.offer, unit, goods) ?? ''} ${unit.tag} ${unit.base}`;
    });
    for (const make of room.automata(promotion.offer, { units: members, ...terms }))
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
