import { type Instant, parseMoment, type ZoneClock } from '../../src/core/calendar/index.ts';
import type { StoreDocument } from '../../src/core/plan/index.ts';
import { type CompiledPlan, knownShopper } from '../../src/core/price-book/index.ts';
import { GUEST, type Shopper } from '../../src/core/tag-price/index.ts';
import { type Arguments, one, optional, refuse } from './arguments.ts';

export interface Place {
  readonly store: StoreDocument;
  readonly clock: ZoneClock;
}

export function placeOf(args: Arguments, compiled: CompiledPlan): Place {
  const id = one(args, 'store');
  const store =
    compiled.stores.get(id) ?? refuse(['--store'], `no store "${id}"`, 'the id of a store in the plan');
  return { store, clock: compiled.clockOf(store) };
}

export function skuOf(args: Arguments, compiled: CompiledPlan): string {
  const sku = one(args, 'item');
  if (!compiled.catalogue.indexOf.has(sku))
    refuse(['--item'], `no item "${sku}"`, 'the SKU of an item in the plan');
  return sku;
}

export function momentOf(args: Arguments, name: string, clock: ZoneClock): Instant {
  const text = one(args, name);
  return (
    parseMoment(text, clock) ??
    refuse(
      [`--${name}`],
      `"${text}" is no moment`,
      'a wall time such as 2027-03-01T09:00, with a UTC offset where it happens twice',
    )
  );
}

/** Without a number or a group the shopper is a guest. Somebody with a number is of what the plan says of it as well. */
export function shopperOf(args: Arguments, compiled: CompiledPlan): Shopper {
  const groups = args.options.get('group') ?? [];
  const known = new Set(compiled.plan.shopperGroups.map(({ id }) => id));
  for (const group of groups) {
    if (!known.has(group))
      refuse(['--group'], `no shopper group "${group}"`, 'the id of a shopper group in the plan');
  }
  const id = optional(args, 'shopper');
  if (id === undefined) return groups.length === 0 ? GUEST : { kind: 'shopper', id: null, groups };
  if (!compiled.shoppers.has(id))
    refuse(['--shopper'], `no shopper "${id}"`, 'the number of a shopper or an account in the plan');
  return knownShopper(compiled, id, groups);
}
