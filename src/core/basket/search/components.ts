import type { OfferInBasket } from '../offers/offer-in-basket.ts';
import { together } from './together.ts';

/** Offers that share units, directly or through others, belong together; the rest do not concern each other. */
export function componentsOf(offers: readonly OfferInBasket[]): OfferInBasket[][] {
  const wants = offers.map(({ machine }) => machine.members.map(({ position }) => position));
  return together(wants).map((group) => group.map((i) => offers[i]!));
}
