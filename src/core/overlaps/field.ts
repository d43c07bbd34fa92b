import type { DayNumber } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import {
  type CompiledChange,
  type CompiledPlan,
  forEachCell,
  type Ground,
  layersOf,
  raisedOn,
  startingOf,
} from '../price-book/index.ts';
import { basePrice, isRetired, regularPrice, type Shopper, workOut } from '../tag-price/index.ts';
import type { Site } from './sites.ts';

/** What a price change makes of the goods of a site, by their number in the catalogue. */
export type Field = ReadonlyMap<number, number>;

/** The results of a change for every item for which it is a candidate at a site; of one on top, what it selects. */
export function fieldOf(
  compiled: CompiledPlan,
  change: CompiledChange,
  site: Site,
  day: DayNumber,
  shopper: Shopper,
): Field {
  if (site.own) return ownField(compiled, change, site, day, shopper, (result, base) => result <= base);
  const ground = groundOf(compiled, site, day, shopper);
  return carried(compiled, site, ground, (put) => {
    const tiles = layersOf(compiled, change, ground, site.store);
    for (let tile = 0; tile < tiles.count; tile++) {
      const layer = tiles.at(tile);
      if (layer) forEachCell(layer, put);
    }
  });
}

/** By how much a change would raise the goods of a site above their base. */
export function raisedField(
  compiled: CompiledPlan,
  change: CompiledChange,
  site: Site,
  day: DayNumber,
  shopper: Shopper,
): Field {
  if (site.own) return ownField(compiled, change, site, day, shopper, (result, base) => result > base, true);
  const ground = groundOf(compiled, site, day, shopper);
  return carried(compiled, site, ground, (put) => {
    for (const [position, amount] of raisedOn(compiled, change, ground, site.store)) put(position, amount);
  });
}

/** What stands at positions of a ground, by the numbers of the items that the site carries. */
function carried(
  compiled: CompiledPlan,
  { store }: Site,
  { regular }: Ground,
  each: (put: (position: number, amount: number) => void) => void,
): Field {
  const { indexAt } = compiled.grounds.order;
  const field = new Map<number, number>();
  each((position, amount) => {
    const index = indexAt[position]!;
    if (compiled.carries(store.id, index, regular[position] as MinorUnits)) field.set(index, amount);
  });
  return field;
}

/** No store has this id: its prices are those of its zone. */
const groundOf = (compiled: CompiledPlan, { store }: Site, day: DayNumber, shopper: Shopper): Ground =>
  compiled.grounds.at({ ...store, id: '' }, day, compiled.listsOf(shopper));

/** The same for the few items that have a price of the store's own, by the rule itself. */
function ownField(
  compiled: CompiledPlan,
  { promotion, selection }: CompiledChange,
  { store, own }: Site,
  day: DayNumber,
  shopper: Shopper,
  counts: (result: number, base: number) => boolean,
  above = false,
): Field {
  const field = new Map<number, number>();
  const { offer } = promotion;
  for (const index of own!) {
    const item = compiled.catalogue.items[index]!;
    const regular = regularPrice(item, store, day)?.price;
    if (regular === undefined || compiled.catalogue.isParent(index) || isRetired(item, day)) continue;
    if (!selection().has(index, regular) || !compiled.carries(store.id, index, regular)) continue;
    const base = basePrice(compiled.listsOf(shopper), item.sku, regular).price;
    if (offer.onTop) {
      if (!above) field.set(index, 0);
      continue;
    }
    const worked = workOut(
      { ...offer, mayRaise: true },
      startingOf(compiled, item, store, { regular, base }),
    );
    if (!('working' in worked)) continue;
    const { result } = worked.working;
    if (counts(result, base) || (!above && offer.mayRaise)) field.set(index, above ? result - base : result);
  }
  return field;
}
