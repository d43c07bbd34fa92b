import type { StartingPrice, Unit } from '../unit.ts';
import type { OfferMachine } from './machine.ts';

/** An offer, or a part of one that is counted by itself, with the units of the basket that it may use. */
export interface OfferInBasket {
  readonly promotion: string;
  readonly priority: number;
  readonly startOf: StartingPrice;
  readonly machine: OfferMachine;
  /** Equal for units between which the offer makes no difference but their prices. */
  readonly kindOf: (unit: Unit) => string;
}

/** The order in which an offer reads its units: the dearest first, of equal ones the earlier. */
export const byFalling =
  (startOf: StartingPrice) =>
  (a: Unit, b: Unit): number =>
    startOf(b) - startOf(a) || a.position - b.position;
