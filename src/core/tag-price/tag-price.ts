import type { MinorUnits } from '../money/index.ts';
import type { PriceChange, Promotion } from '../plan/index.ts';
import type { Lost, OnTopStep, PriceAnswer, Working } from './answer.ts';
import type { BasePrice } from './list-price.ts';
import { stepOnTop } from './on-top.ts';
import type { LostReason } from './reason.ts';
import type { RegularPrice } from './regular-price.ts';
import { onTopOrder, type Ranked, reasonBehind, type WinnerOrder } from './winner-order.ts';
import { type Starting, workOut } from './work-out.ts';

export type PriceChangePromotion = Promotion & { readonly offer: PriceChange };

/** A price change whose item rule holds for the item; `bar` says why it does not count here and now. */
export interface Concerning {
  readonly promotion: PriceChangePromotion;
  readonly bar: LostReason | null;
}

type Candidate = Ranked & { readonly promotion: PriceChangePromotion; readonly working: Working };

/**
 * Pricing rules 3.3 to 3.6: from the base price to the tag price, with every change that lost and why.
 * The answer does not depend on the order of `concerning`.
 */
export function tagPrice(
  regular: RegularPrice,
  base: BasePrice,
  starting: Starting,
  concerning: readonly Concerning[],
  order: WinnerOrder,
): PriceAnswer {
  const candidates: Candidate[] = [];
  const lost: Lost[] = [];
  const onTop: PriceChangePromotion[] = [];
  for (const { promotion, bar } of concerning) {
    if (bar) lost.push({ promotion: promotion.id, reason: bar, result: null });
    else if (promotion.offer.onTop) onTop.push(promotion);
    else {
      const worked = workOut(promotion.offer, starting);
      if ('reason' in worked) lost.push({ promotion: promotion.id, reason: worked.reason, result: null });
      else
        candidates.push({
          id: promotion.id,
          priority: promotion.priority,
          result: worked.working.result,
          promotion,
          working: worked.working,
        });
    }
  }
  const [winner, ...losers] = candidates.sort(order);
  const steps = applyOnTop(onTop.sort(onTopOrder), winner, base.price);
  return {
    kind: 'price',
    price: steps.price,
    regular,
    base,
    winner: winner
      ? { promotion: winner.id, working: winner.working, changesNothing: winner.result === base.price }
      : null,
    onTop: steps.applied,
    lost: [
      ...losers.map(
        (loser) =>
          ({
            promotion: loser.id,
            reason: reasonBehind(winner!, loser, order),
            result: loser.result,
          }) as Lost,
      ),
      ...[...lost, ...steps.skipped].sort((a, b) => (a.promotion < b.promotion ? -1 : 1)),
    ],
  };
}

function applyOnTop(
  changes: readonly PriceChangePromotion[],
  winner: Candidate | undefined,
  base: MinorUnits,
) {
  let price = winner?.result ?? base;
  const applied: OnTopStep[] = [];
  const skipped: Lost[] = [];
  for (const { id, offer } of changes) {
    const after = stepOnTop(offer, price, base);
    if (winner?.promotion.alone) skipped.push({ promotion: id, reason: 'winner-alone', result: null });
    else if (after >= price) skipped.push({ promotion: id, reason: 'not-lower', result: after });
    else {
      applied.push({ promotion: id, before: price, after });
      price = after;
    }
  }
  return { price, applied, skipped };
}
