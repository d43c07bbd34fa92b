import { giftOf } from '../offer/index.ts';
import type { BasketOffer, Plan } from '../plan/index.ts';
import { type CompiledOffer, type CompiledPlan, priceAt, type Situation } from '../price-book/index.ts';
import { judgedRoom } from '../receipt/index.ts';
import { type Good, sellsAny } from './deal-goods.ts';
import { shelfWarnings } from './deal-price.ts';
import type { DealStep } from './deal-steps.ts';

/** What somebody should look at before a deal goes out. Amounts in minor units. */
export type DealWarning =
  /** `pays` for goods that cost `shelf` at their tags where they are cheapest, `dearest` where they are dearest. */
  | {
      readonly code: 'worse-than-shelf';
      readonly pays: number;
      readonly shelf: number;
      readonly dearest: number;
      readonly tier: number | null;
    }
  | { readonly code: 'gift-not-carried'; readonly gift: string; readonly stores: readonly string[] }
  /** In so many stores of the deal nothing of this part is sold. */
  | {
      readonly code: 'nothing-carried';
      readonly part: number;
      readonly stores: readonly string[];
      readonly of: number;
    }
  | { readonly code: 'never-reached'; readonly tier: number; readonly before: number }
  | { readonly code: 'below-cost' | 'below-floor'; readonly steps: number };

export interface Looked {
  readonly compiled: CompiledPlan;
  readonly deal: CompiledOffer;
  readonly situation: Situation;
  readonly stores: readonly string[];
  readonly parts: readonly (readonly Good[])[];
  readonly steps: readonly DealStep[];
}

export function dealWarnings(looked: Looked): DealWarning[] {
  const { offer } = looked.deal.promotion;
  return [
    ...partWarnings(looked),
    ...giftWarnings(looked),
    ...shelfWarnings(offer, looked.parts),
    ...tierWarnings(offer, looked.parts[0] ?? []),
    ...marginWarnings(looked.steps, looked.compiled.plan),
  ];
}

function partWarnings({ compiled, deal, situation, stores, parts }: Looked): DealWarning[] {
  if (deal.parts().length === 0) return [];
  return parts.flatMap((goods, part): DealWarning[] => {
    if (goods.length > 0) return [];
    const without = stores.filter(
      (id) => !sellsAny(compiled, deal, part, { ...situation, store: compiled.stores.get(id)! }),
    );
    return [{ code: 'nothing-carried', part, stores: without, of: stores.length }];
  });
}

function giftWarnings({ compiled, deal, situation, stores }: Looked): DealWarning[] {
  const gift = giftOf(deal.promotion.offer);
  if (gift === null) return [];
  const { at, shopper } = situation;
  const without = stores.filter(
    (store) => priceAt(compiled, { sku: gift, store, at, shopper }).kind === 'problem',
  );
  return without.length === 0 ? [] : [{ code: 'gift-not-carried', gift, stores: without }];
}

/** Tiers by which nobody gets more than by the one before, whatever the goods: they overlap in effect. */
function tierWarnings(offer: BasketOffer, goods: readonly Good[]): DealWarning[] {
  const tags = goods.map(({ tag }) => tag);
  const idle = judgedRoom(offer).idleTiers?.(offer, tags) ?? [];
  if (!('tiers' in offer)) return [];
  return idle.map((i) => ({
    code: 'never-reached',
    tier: offer.tiers[i]!.atLeast,
    before: offer.tiers[i - 1]!.atLeast,
  }));
}

function marginWarnings(steps: readonly DealStep[], { policy: { marginFloor } }: Plan): DealWarning[] {
  const under = steps.filter(({ cost, after }) => cost !== null && after < cost).length;
  const floored = steps.filter(
    ({ marginAfter, cost, after }) =>
      marginFloor !== null && marginAfter !== null && marginAfter < marginFloor && after >= (cost ?? 0),
  ).length;
  return [
    ...(under > 0 ? [{ code: 'below-cost', steps: under } as const] : []),
    ...(floored > 0 ? [{ code: 'below-floor', steps: floored } as const] : []),
  ];
}
