import type { CompiledOffer } from '../price-book/index.ts';
import { judgedRoom } from '../receipt/index.ts';
import type { Finding } from './finding.ts';
import { type Gathered, gather, gathered, lastOf, told } from './gathered.ts';
import type { Scene } from './scenes.ts';
import type { Scope } from './scope.ts';

/**
 * `worse-than-shelf`: where a price that a deal names is no better than the tags of its goods, the dearest of them too,
 * so that nobody can save by it there; `amount` is what it asks above them. Cheaper goods among dearer ones are no
 * fault: a till does not apply a deal that does not pay.
 */
export function worseThanShelf(scope: Scope, deal: CompiledOffer, scenes: readonly Scene[]): Finding[] {
  const { offer, id, when } = deal.promotion;
  const named = judgedRoom(offer).namedPrices?.(offer) ?? [];
  return named.flatMap(({ pays, units, tier }) => {
    const found: Gathered = gathered();
    for (const { parts, stores, spans } of scenes) {
      const dearest = units.reduce((sum, count, part) => sum + count * parts[part]!.at(-1)!.tag, 0);
      if (pays < dearest) continue;
      gather(
        found,
        parts.flat().map(({ index }) => index),
        stores,
        spans,
        pays - dearest,
      );
    }
    return told(scope.compiled, found, {
      code: 'worse-than-shelf',
      promotions: [id],
      open: when.to === null && lastOf(found) >= scope.span.to,
      ...(tier === null ? {} : { part: { kind: 'tier', at: tier } }),
    });
  });
}

/** `never-reached`: a tier by which nobody gets more than by the one before it, at any of its stores. */
export function idleTiers(scope: Scope, deal: CompiledOffer, scenes: readonly Scene[]): Finding[] {
  const { offer, id, when } = deal.promotion;
  const tags = [...new Set(scenes.flatMap(({ parts }) => (parts[0] ?? []).map(({ tag }) => tag)))];
  const idle = judgedRoom(offer).idleTiers?.(offer, tags) ?? [];
  if (!('tiers' in offer)) return [];
  const found = gathered();
  for (const { site, stores } of scope.placesOf(deal))
    gather(found, [], stores, scope.spansOf(deal.promotion, site));
  return idle.flatMap((i) =>
    told(scope.compiled, found, {
      code: 'never-reached',
      promotions: [id],
      open: when.to === null,
      part: { kind: 'tier', at: offer.tiers[i]!.atLeast },
    }),
  );
}
