import { forcedRun } from '../assignment/index.ts';
import type { Goods, OfferInBasket, Unit } from '../offer/index.ts';
import { type UnitOffer, unitOfferRoom } from './unit-offers.ts';

/** What the applications of one offer made of the units that it uses. */
export interface Applied {
  readonly offer: OfferInBasket;
  readonly times: number;
  readonly units: readonly Unit[];
  /** What each of them costs now, in their order. */
  readonly prices: readonly number[];
  /** Tag value of gifts. */
  readonly gifts: number;
}

/** Works out an offer over the units that were chosen for it, to the last cent of every unit (pricing rules 4.6). */
export function appliedTo(
  contender: OfferInBasket,
  offer: UnitOffer,
  used: readonly Unit[],
  goods: Pick<Goods, 'skuOf'>,
): Applied {
  const run = forcedRun(contender, used);
  if (!run) throw new Error('an offer was chosen for units that make no application');
  const prices = unitOfferRoom(offer).prices(offer, { run, start: contender.levelOf, goods });
  return { offer: contender, times: run.done, units: run.units, gifts: run.gifts, prices };
}
