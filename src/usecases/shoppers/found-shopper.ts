import type { FoundShopper } from '../../contracts/index.ts';
import type { ShopperRecord } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { knownAs } from '../known/index.ts';
import type { KnownPerson } from '../ports/index.ts';

/** The accounts of a plan: those whom it calls by a name. */
export const accountsIn = ({ plan }: CompiledPlan): { id: string; name: string }[] =>
  plan.shoppers.flatMap(({ id, name }: ShopperRecord) => (name === null ? [] : [{ id, name }]));

export const groupName = ({ plan }: CompiledPlan, id: string): string =>
  plan.shopperGroups.find((group) => group.id === id)?.name ?? id;

/** Somebody as a list shows them. @param person null: the plan alone knows them. */
export function foundShopper(compiled: CompiledPlan, id: string, person: KnownPerson | null): FoundShopper {
  const { shopper, history, accountName } = knownAs(compiled, id, person);
  const { account } = shopper;
  return {
    id,
    kind: person === null && accountName !== null ? 'account' : 'person',
    name: person?.name ?? accountName,
    groups: shopper.groups.map((group) => groupName(compiled, group)),
    account:
      account === undefined ? null : { id: account, name: compiled.shoppers.get(account)?.name ?? account },
    orders: history.pastOrders,
  };
}
