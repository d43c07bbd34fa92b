import type { NamedPrice } from '../offer/index.ts';
import type { BasketOffer } from '../plan/index.ts';
import { judgedRoom } from '../receipt/index.ts';
import type { Good } from './deal-goods.ts';
import type { DealWarning } from './deal-warnings.ts';

type Parts = readonly (readonly Good[])[];

/** Where a deal that names a price asks as much as its goods cost at their tags, or more, for the cheapest of them. */
export function shelfWarnings(offer: BasketOffer, parts: Parts): DealWarning[] {
  if (parts.some((goods) => goods.length === 0)) return [];
  const named = judgedRoom(offer).namedPrices?.(offer) ?? [];
  return named
    .map((one) => ({ ...one, ...shelfOf(one, parts) }))
    .filter(({ pays, shelf }) => pays >= shelf)
    .map(
      ({ pays, shelf, dearest, tier }): DealWarning => ({
        code: 'worse-than-shelf',
        pays,
        shelf,
        dearest,
        tier,
      }),
    );
}

/** What the units cost at their tags where they are cheapest, and where they are dearest. */
function shelfOf({ units }: NamedPrice, parts: Parts): { shelf: number; dearest: number } {
  const sum = (tagOf: (goods: readonly Good[]) => number) =>
    units.reduce((all, count, part) => all + count * tagOf(parts[part]!), 0);
  return { shelf: sum((goods) => goods[0]!.tag), dearest: sum((goods) => goods.at(-1)!.tag) };
}
