import type { Offer } from '../plan/index.ts';
import type { Good } from './deal-goods.ts';
import type { DealWarning } from './deal-warnings.ts';

type Parts = readonly (readonly Good[])[];

/** Where a deal that names a price asks as much as its goods cost at their tags, or more, for the cheapest of them. */
export function shelfWarnings(offer: Offer, parts: Parts): DealWarning[] {
  if (parts.some((goods) => goods.length === 0)) return [];
  return namedPrices(offer, parts)
    .filter(({ pays, shelf }) => pays >= shelf)
    .map((named): DealWarning => ({ code: 'worse-than-shelf', ...named }));
}

interface NamedPrice {
  readonly pays: number;
  readonly shelf: number;
  readonly dearest: number;
  readonly tier: number | null;
}

function namedPrices(offer: Offer, parts: Parts): NamedPrice[] {
  const worth = (pays: number, counts: readonly number[], tier: number | null = null): NamedPrice => ({
    pays,
    tier,
    shelf: sumOf(counts, (part) => parts[part]![0]!.tag),
    dearest: sumOf(counts, (part) => parts[part]!.at(-1)!.tag),
  });
  switch (offer.kind) {
    case 'quantityBreak':
      return offer.tiers.flatMap(({ atLeast, value }) =>
        value.kind === 'each' ? [worth(value.amount, [1], atLeast)] : [],
      );
    case 'bundle':
      if (offer.value.kind === 'total') return [worth(offer.value.amount, [offer.take])];
      return offer.value.kind === 'each' ? [worth(offer.value.amount, [1])] : [];
    case 'rewardUnit':
      return offer.value.kind === 'each' ? [worth(offer.value.amount, [1])] : [];
    case 'buyAndGet': {
      if (offer.value.kind !== 'each') return [];
      const got = parts.at(-1)!;
      return [{ pays: offer.value.amount, shelf: got[0]!.tag, dearest: got.at(-1)!.tag, tier: null }];
    }
    case 'combo': {
      const counts = offer.slots.map(({ quantity }) => quantity);
      if (offer.value?.kind === 'percentOff') return [];
      const slots = sumOf(counts, (slot) => offer.slots[slot]!.each ?? 0);
      return [worth(offer.value?.amount ?? slots, counts)];
    }
    default:
      return [];
  }
}

const sumOf = (counts: readonly number[], each: (part: number) => number): number =>
  counts.reduce((sum, count, part) => sum + count * each(part), 0);
