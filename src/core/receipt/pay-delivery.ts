import { percentOf } from '../money/index.ts';
import type { DeliveryReward, Promotion } from '../plan/index.ts';
import type { Basket } from './basket.ts';
import { conditionsHold, type Weights } from './conditions-hold.ts';

export type DeliveryPromotion = Promotion & { readonly offer: DeliveryReward };

export interface DeliveryPaid {
  readonly way: string;
  readonly charge: number;
  readonly net: number;
  /** Null: the charge stands. */
  readonly promotion: string | null;
}

/**
 * Pricing rules 4.4: the delivery reward that saves most; of equal ones the first by priority and id.
 * @param subtotal what is paid for the goods after unit offers.
 */
export function payDelivery(
  live: readonly DeliveryPromotion[],
  basket: Basket,
  weights: Weights,
  subtotal: number,
): DeliveryPaid | null {
  if (!basket.delivery) return null;
  const { way, charge } = basket.delivery;
  const fitting = live
    .filter(({ offer }) => holds(offer, basket, weights, subtotal))
    .sort((a, b) => a.priority - b.priority || (a.id < b.id ? -1 : 1));
  let best: DeliveryPaid = { way, charge, net: charge, promotion: null };
  for (const { id, offer } of fitting) {
    const net = netOf(offer, charge);
    if (net < best.net) best = { way, charge, net, promotion: id };
  }
  return best;
}

function holds(offer: DeliveryReward, basket: Basket, weights: Weights, subtotal: number): boolean {
  return (
    (offer.ways === null || offer.ways.includes(basket.delivery!.way)) &&
    (offer.subtotal === null || subtotal >= offer.subtotal) &&
    (offer.maxItemWeight === null || weights.heaviest <= offer.maxItemWeight) &&
    conditionsHold(offer.conditions, basket, weights)
  );
}

function netOf({ value }: DeliveryReward, charge: number): number {
  if (value.kind === 'free') return 0;
  return value.kind === 'flat' ? Math.min(charge, value.amount) : charge - percentOf(charge, value.percent);
}
