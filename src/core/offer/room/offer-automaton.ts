import type { Automaton, Contender } from '../../assignment/index.ts';
import type { Unit } from './unit.ts';

/** One kind of offer as it reads the pieces of a basket; what a piece brings is counted against its tag price. */
export type OfferAutomaton = Automaton<Unit>;

/**
 * An offer, or a part of one that is counted by itself, with the units of the basket that it may use. Its name is the
 * id of its promotion, its rank the promotion's priority, and the level of a unit the price that it starts from.
 */
export type OfferInBasket = Contender<Unit>;
