import type { Shopper } from '../tag-price/index.ts';
import type { CompiledPlan } from './compiled-plan.ts';

/** Somebody with a number. */
export type KnownShopper = Extract<Shopper, { kind: 'shopper' }> & { readonly id: string };

/**
 * Somebody with a number, of the account and the groups that the plan says.
 * @param groups that they are of beside, by what is kept of them elsewhere.
 */
export function knownShopper(
  { shoppers }: Pick<CompiledPlan, 'shoppers'>,
  id: string,
  groups: readonly string[] = [],
): KnownShopper {
  const record = shoppers.get(id);
  return {
    kind: 'shopper',
    id,
    groups: [...new Set([...(record?.groups ?? []), ...groups])],
    ...(record?.account == null ? {} : { account: record.account }),
  };
}
