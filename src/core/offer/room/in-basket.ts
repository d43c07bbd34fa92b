import type { ForcedRun, Limit } from '../../assignment/index.ts';
import type { Goods } from './goods.ts';
import type { OfferAutomaton } from './offer-automaton.ts';
import type { StartingPrice, Unit } from './unit.ts';

/** The units that an offer may use in a basket, and on what terms. */
export interface Members {
  readonly units: readonly Unit[];
  readonly start: StartingPrice;
  /** How many applications are allowed. */
  readonly limit: Limit;
  /** How many units may be used: asked only by what counts them together, as for others the limit says it. */
  readonly most: Limit;
  /** Which units are among the goods of each of its parts. */
  readonly fits: readonly ((unit: Unit) => boolean)[];
  readonly goods: Goods;
}

/** Makes an automaton under its number among all of a basket. */
export type MakeAutomaton = (number: number) => OfferAutomaton;

/** The units that applications use, with the role of each, by falling starting price. */
export interface Application {
  readonly run: ForcedRun<Unit>;
  readonly start: StartingPrice;
  readonly goods: Pick<Goods, 'skuOf'>;
}

/** A price that an offer names, for so many units of each of its parts, from a tier on. Amounts are minor units. */
export interface NamedPrice {
  readonly pays: number;
  readonly units: readonly number[];
  readonly tier: number | null;
}

/**
 * By which baskets an offer can be judged: so many units of one good, one good for so much money, or so many units of
 * each of its parts.
 */
export type Trial =
  | { readonly of: 'units'; readonly counts: readonly number[] }
  | { readonly of: 'money'; readonly amounts: readonly number[] }
  | { readonly of: 'parts'; readonly counts: readonly number[] };

/** What can be said of an offer over a basket before one is rung. Methods, so that one kind fits where any is wanted. */
export interface JudgedOffer<O> {
  trials(offer: O): Trial;
  /** The prices that it names, which may be no better than those of the shelf. */
  namedPrices?(offer: O): readonly NamedPrice[];
  /**
   * Tiers, by their place, by which nobody gets more than by the one before.
   * @param tags prices of its goods; none: not known
   */
  idleTiers?(offer: O, tags: readonly number[]): readonly number[];
}

/** How units are counted together by an offer, and how many more lead to its next step. */
export interface CountedUnits {
  keyOf(unit: Unit, goods: Goods): string;
  /** The items that are counted under a key; `family`: the variants of one parent. */
  readonly by: 'item' | 'family' | 'set';
  /** Null: there is no further step. */
  missing(units: number): number | null;
}

/** An offer on units of a basket, as the search and the receipt know it (pricing rules 4.1). */
export interface UnitOfferInBasket<O> extends JudgedOffer<O> {
  /** The fewest units with which it can be applied, for each of its parts. */
  leastUnits(offer: O): readonly number[];
  /** None where it cannot be applied at all, of a counted one one for each group. */
  automata(offer: O, members: Members): readonly MakeAutomaton[];
  /** What each unit of the applications costs then, to the last cent (pricing rules 4.6). */
  prices(offer: O, application: Application): readonly number[];
  /** Whether what it takes off is shared over the units of an application, so that none has a price of its own before. */
  shares?(offer: O): boolean;
  /** What else than its parts tells one unit from another: what it is counted by, or what it adds to a deal price. */
  apart?(offer: O, unit: Unit, goods: Goods): string;
  /** Absent: units are not counted together. */
  counted?(offer: O): CountedUnits;
  /** Whether so many units, counted together, earn something beside them. */
  earnsGift?(offer: O, units: number): boolean;
}

/** What each unit costs by itself, by its starting price and its role. */
export const pricedEach = (
  { run, start }: Application,
  price: (start: number, role: number, unit: Unit) => number,
): number[] => run.units.map((unit, i) => price(start(unit), run.roles[i]!, unit));
