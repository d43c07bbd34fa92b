import { byFalling, mostGain } from '../assignment/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { CountedBy, CountedUnits, Unit } from '../offer/index.ts';
import { type Book, book } from '../price-book/index.ts';
import type { ItemSelection } from '../selection/index.ts';
import type { Applied } from './applied.ts';
import { type LiveOffer, offersInBasket } from './offers-in-basket.ts';
import type { NearlyThere } from './receipt.ts';
import type { Ringing } from './ringing.ts';
import { unitOfferRoom } from './unit-offers.ts';

const MOST_ARCS = 200_000;

/**
 * Pricing rules 4.7: for every live offer that the basket touches, the fewest further units with which it could be
 * applied once more, or reach its next step, of the cheapest item that fits; and what that would save.
 */
export function nearlyThere(ringing: Ringing, applied: readonly Applied[]): NearlyThere[] {
  const used = new Set(applied.flatMap(({ units }) => units.map(({ position }) => position)));
  const timesOf = new Map<string, number>();
  const unitsOf = new Map<string, number>();
  for (const { offer, times, units } of applied) {
    timesOf.set(offer.name, (timesOf.get(offer.name) ?? 0) + times);
    unitsOf.set(offer.name, (unitsOf.get(offer.name) ?? 0) + units.length);
  }
  const cheapest = cheapestIn(ringing);
  const free = ringing.units.filter(({ position }) => !used.has(position));
  return ringing.live.flatMap((live) => {
    const { promotion } = live;
    const limit = promotion.limitPerBasket ?? Number.POSITIVE_INFINITY;
    const counted = unitOfferRoom(promotion.offer).counted?.(promotion.offer);
    const spent = (timesOf.get(promotion.id) ?? 0) >= limit;
    const left = live.unitsLeft - (unitsOf.get(promotion.id) ?? 0);
    const step = counted
      ? nextStep(ringing, live, counted, { applied, free, spent, left, cheapest })
      : spent
        ? null
        : onceMore(ringing, live, { free, left, cheapest });
    return step && step.saving > 0 ? [{ promotion: promotion.id, ...step }] : [];
  });
}

type Step = Omit<NearlyThere, 'promotion'>;
/** Some goods, with the numbers of their items where those are fixed. */
interface PartGoods {
  readonly selection: ItemSelection;
  readonly numbers: Int32Array | null;
}
/** @param among the only items that count; absent: all of the part. */
type Cheapest = (part: PartGoods, among?: readonly number[]) => Unit | null;

/** The cheapest item of some goods that is sold here by the piece, as a unit to add. */
function cheapestIn({ compiled, situation, basket, priceOf }: Ringing): Cheapest {
  const { items } = compiled.catalogue;
  let row: Book | null = null;
  return ({ selection, numbers }, among) => {
    row ??= book(compiled, situation.at, [basket.store], undefined, situation.shopper);
    const { prices, regular } = row;
    let best = -1;
    const look = (item: number) => {
      const price = prices[item]!;
      if (price < 0 || (best >= 0 && price >= prices[best]!)) return;
      if ((items[item]!.unit ?? 'each') === 'each' && selection.has(item, regular[item] as MinorUnits))
        best = item;
    };
    const few = among ?? numbers;
    if (few) few.forEach(look);
    else for (let item = 0; item < items.length; item++) look(item);
    const answer = best < 0 ? null : priceOf(best);
    if (answer?.kind !== 'price') return null;
    return {
      position: 0,
      line: -1,
      item: best,
      regular: answer.regular.price,
      base: answer.base.price,
      tag: answer.price,
    };
  };
}

function partsOf({ offers }: Ringing, { promotion }: LiveOffer): PartGoods[] {
  const offer = offers.find(({ promotion: { id } }) => id === promotion.id)!;
  const numbers = offer.numbers();
  return offer.parts().map((selection, i) => ({ selection, numbers: numbers[i]! }));
}

/** One more application out of what is free and what would be added, part by part. */
function onceMore(
  ringing: Ringing,
  live: LiveOffer,
  { free, left: unitsLeft, cheapest }: Pick<StepSearch, 'free' | 'left' | 'cheapest'>,
): Step | null {
  const { offer } = live.promotion;
  const wanted = unitOfferRoom(offer).leastUnits(offer);
  if (wanted.reduce((sum, quantity) => sum + quantity, 0) > unitsLeft) return null;
  const fitting = free.filter((unit) => live.fits.some((fits) => fits(unit)));
  const left = [...fitting];
  const parts = partsOf(ringing, live);
  const added: Unit[] = [];
  for (const [i, quantity] of wanted.entries()) {
    let missing = quantity;
    while (missing > 0) {
      const at = left.findIndex((unit) => live.fits[i]!(unit));
      if (at < 0) break;
      left.splice(at, 1);
      missing -= 1;
    }
    if (missing === 0) continue;
    const unit = cheapest(parts[i]!);
    if (!unit) return null;
    added.push(...Array.from({ length: missing }, () => unit));
  }
  if (added.length === 0) return null;
  return {
    add: added.length,
    sku: ringing.goods.skuOf(added[0]!.item),
    saving: savingOf(ringing, live, [...fitting, ...added]),
  };
}

interface StepSearch {
  readonly applied: readonly Applied[];
  /** Units that no offer uses. */
  readonly free: readonly Unit[];
  /** It may be applied no more often. */
  readonly spent: boolean;
  /** How many more units it may use. */
  readonly left: number;
  readonly cheapest: Cheapest;
}

/** The next tier, or the next free unit, of whatever is counted together and is nearest to it. */
function nextStep(
  ringing: Ringing,
  live: LiveOffer,
  counted: CountedUnits,
  { applied, free, spent, left, cheapest }: StepSearch,
): Step | null {
  const { promotion, fits } = live;
  const own = applied.filter((one) => one.offer.name === promotion.id).flatMap(({ units }) => units);
  const keyOf = (unit: Unit) => counted.keyOf(unit, ringing.goods);
  const begun = new Set(own.map(keyOf));
  const touched = ringing.units.filter((one) => fits[0]!(one));
  // What others use up is no beginning, but the basket touches the offer all the same.
  const groups = new Map<string, Unit[]>(touched.map((unit) => [keyOf(unit), []]));
  for (const unit of [...own, ...free.filter((one) => fits[0]!(one))])
    groups.set(keyOf(unit), [...(groups.get(keyOf(unit)) ?? []), unit]);
  let best: Step | null = null;
  for (const [key, units] of groups) {
    if (spent && !begun.has(key)) continue;
    const add = counted.missing(units.length);
    if (add === null || (best && add >= best.add)) continue;
    if (units.length + add - own.filter((unit) => keyOf(unit) === key).length > left) continue;
    const [part] = partsOf(ringing, live);
    const unit = cheapest(part!, membersOf(ringing, counted.by, key));
    if (!unit) continue;
    const more = [...units, ...Array.from({ length: add }, () => unit)];
    const saving = savingOf(ringing, live, more) - savingOf(ringing, live, units);
    if (saving > 0) best = { add, sku: ringing.goods.skuOf(unit.item), saving };
  }
  return best;
}

/** The items that are counted together under a key; undefined: all of the offer. */
function membersOf({ compiled }: Ringing, count: CountedBy, key: string): readonly number[] | undefined {
  if (count === 'set') return undefined;
  const { catalogue } = compiled;
  const own = catalogue.indexOf.get(key)!;
  return count === 'item' || !catalogue.isParent(own) ? [own] : catalogue.variantsOf(key);
}

/** What one offer by itself saves on some units. */
function savingOf(ringing: Ringing, live: LiveOffer, units: readonly Unit[]): number {
  const apart = units.map((unit, position) => ({ ...unit, position }));
  let saving = 0;
  for (const { automaton, levelOf } of offersInBasket([live], apart, ringing.goods)) {
    const read = automaton.members.toSorted(byFalling(levelOf));
    saving += mostGain(automaton, read, levelOf, MOST_ARCS) ?? 0;
  }
  return saving;
}
