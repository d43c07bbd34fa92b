import type { FoundShopper } from '../../contracts/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { knownAs } from '../known/index.ts';
import type { KnownPerson } from '../ports/index.ts';

type ShopperEntry = NonNullable<PlanDocument['shoppers']>[number];

/** An account, as the plan has it. */
export const isAccount = (entry: Pick<ShopperEntry, 'name'>): boolean => entry.name !== undefined;

export const groupName = ({ plan }: CompiledPlan, id: string): string =>
  plan.shopperGroups.find((group) => group.id === id)?.name ?? id;

/** The account that somebody belongs to, by name. */
export function accountOf(document: PlanDocument, id: string): FoundShopper['account'] {
  const all = document.shoppers ?? [];
  const account = all.find((one) => one.id === id)?.account;
  if (account === undefined) return null;
  return { id: account, name: all.find((one) => one.id === account)?.name ?? account };
}

/** Somebody as a list shows them. @param person null: the plan alone knows them. */
export function foundShopper(
  document: PlanDocument,
  compiled: CompiledPlan,
  id: string,
  person: KnownPerson | null,
): FoundShopper {
  const entry = (document.shoppers ?? []).find((one) => one.id === id);
  const { shopper, history } = knownAs(compiled, id, person);
  return {
    id,
    kind: person === null && entry && isAccount(entry) ? 'account' : 'person',
    name: person?.name ?? entry?.name ?? null,
    groups: shopper.groups.map((group) => groupName(compiled, group)),
    account: accountOf(document, id),
    orders: history.pastOrders,
  };
}
