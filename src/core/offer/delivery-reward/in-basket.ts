import type { JudgedOffer } from '../room/in-basket.ts';
import type { DeliveryReward } from './delivery-reward.ts';

export const deliveryRewardInBasket: JudgedOffer<DeliveryReward> = {
  trials: ({ subtotal }) =>
    subtotal === null ? { of: 'units', counts: [1] } : { of: 'money', amounts: [subtotal] },
};
