import { shopperNumberIn } from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import { GUEST, type Shopper } from '../../core/tag-price/index.ts';
import { type ShopperPorts, whoIs } from '../known/index.ts';

/**
 * Somebody of a shopper group, or with a number, as a lens says it; a guest where none is named. Null: there is no such
 * group, and nobody of that number.
 */
export async function shopperOf(
  ports: ShopperPorts,
  asked: string | undefined,
  compiled: CompiledPlan,
): Promise<Shopper | null> {
  if (asked === undefined) return GUEST;
  const number = shopperNumberIn(asked);
  if (number !== null) return (await whoIs(ports, compiled, number))?.shopper ?? null;
  return compiled.plan.shopperGroups.some(({ id }) => id === asked)
    ? { kind: 'shopper', id: null, groups: [asked] }
    : null;
}
