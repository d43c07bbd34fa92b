import { may, type Person } from '../../contracts/index.ts';
import { formatAmount, minorUnits } from '../../core/money/index.ts';
import { type CompiledPlan, type KnownShopper, knownShopper } from '../../core/price-book/index.ts';
import type { BasketDocument } from '../../core/receipt/index.ts';
import type { KnownPerson, ShopperStore } from '../ports/index.ts';

export interface ShopperPorts {
  readonly shoppers: ShopperStore;
}

/** Somebody by number, of all that the plan and the people beside it say. */
export interface WhoIs {
  readonly shopper: KnownShopper;
  /** Minor units. */
  readonly history: { readonly pastOrders: number; readonly lifetimeSpend: number };
  /** Null: the plan alone knows them. */
  readonly person: KnownPerson | null;
  /** What the plan calls it, where it is an account. */
  readonly accountName: string | null;
}

/** People are no matter of a store's, nor of who only looks. */
export const maySeeShoppers = (person: Person): boolean => may(person, 'plan') && person.stores === null;

/** Null: nobody knows that number. */
export async function whoIs(
  { shoppers }: ShopperPorts,
  compiled: CompiledPlan,
  id: string,
): Promise<WhoIs | null> {
  const person = await shoppers.person(id);
  return person || compiled.shoppers.has(id) ? knownAs(compiled, id, person) : null;
}

/** What the plan says adds up with what is kept of the person. */
export function knownAs(compiled: CompiledPlan, id: string, person: KnownPerson | null): WhoIs {
  const record = compiled.shoppers.get(id);
  const kinds = new Set(compiled.plan.shopperGroups.map((group) => group.id));
  const known = knownShopper(
    compiled,
    id,
    (person?.groups ?? []).filter((group) => kinds.has(group)),
  );
  return {
    shopper: known,
    history: {
      pastOrders: (record?.pastOrders ?? 0) + (person?.orders ?? 0),
      lifetimeSpend: (record?.lifetimeSpend ?? 0) + (person?.spent ?? 0),
    },
    person,
    accountName: record?.name ?? null,
  };
}

/** A basket for somebody by number, with what is known of them; what the basket says itself stays. */
export async function withWhoIs<B extends Pick<BasketDocument, 'shopper'>>(
  ports: ShopperPorts,
  compiled: CompiledPlan,
  basket: B,
): Promise<B> {
  const { shopper } = basket;
  const said = typeof shopper === 'string' ? { id: shopper } : (shopper ?? {});
  if (said.id === undefined) return basket;
  const known = await whoIs(ports, compiled, said.id);
  if (!known) return basket;
  return { ...basket, shopper: { ...shopperSaid(known, compiled), ...said } };
}

/** As a basket says it. */
export function shopperSaid({ shopper, history }: WhoIs, { plan }: CompiledPlan) {
  return {
    id: shopper.id,
    groups: [...shopper.groups],
    pastOrders: history.pastOrders,
    lifetimeSpend: formatAmount(minorUnits(history.lifetimeSpend), plan.currency),
  };
}
