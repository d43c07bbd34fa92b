import type { Person } from '../../contracts/index.ts';
import type { Fault, PromotionDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { goodsOutside, insideOf } from '../../core/selection/index.ts';

/** Why a promotion is not theirs to change who is kept to some departments; null where it is. */
export function notTheirs(
  person: Person,
  compiled: CompiledPlan,
  promotion: PromotionDocument | null | undefined,
): Fault | null {
  if (!person.goods || !promotion) return null;
  const { catalogue, plan } = compiled;
  const found = goodsOutside(promotion.offer, insideOf(person.goods, catalogue), catalogue, plan.currency);
  if (!found) return null;
  const { at, items } = found;
  if (!items)
    return {
      path: ['offer'],
      what: 'it is about whatever is in a basket',
      wanted: wantedOf(person, compiled),
    };
  const first = catalogue.items[items[0]!]!;
  const more = items.length - 1;
  return {
    path: ['offer', ...at],
    what: `“${first.name}”${more > 0 ? ` and ${more} more` : ''} ${more > 0 ? 'are' : 'is'} not yours to price`,
    wanted: wantedOf(person, compiled),
  };
}

/** Why a change of the stockroom is not theirs; null where it is. @param entries that it writes, and those that stand in their place. */
export function entriesNotTheirs(
  person: Person,
  compiled: CompiledPlan,
  entries: readonly object[],
): Fault | null {
  if (!person.goods) return null;
  const { catalogue } = compiled;
  const inside = insideOf(person.goods, catalogue);
  const nodeOf = (entry: { sku?: string; node?: string }): string | undefined => {
    if (entry.sku === undefined) return undefined;
    return entry.node ?? catalogue.items[catalogue.indexOf.get(entry.sku) ?? -1]?.node;
  };
  const foreign = entries.find((entry) => !inside.has(nodeOf(entry) ?? ''));
  if (!foreign) return null;
  const { sku } = foreign as { sku?: string };
  return {
    path: [],
    what: sku === undefined ? 'it is about more than your goods' : `item "${sku}" is not yours to change`,
    wanted: wantedOf(person, compiled),
  };
}

function wantedOf({ goods = [] }: Person, { plan }: CompiledPlan): string {
  const names = plan.nodes.filter(({ id }) => goods.includes(id)).map(({ name }) => name);
  return names.length === 0
    ? 'departments of yours, which an administrator gives'
    : `goods of ${names.join(', ')}`;
}
