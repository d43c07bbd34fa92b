import type { OfferMachine } from '../offers/machine.ts';
import { byFalling, type OfferInBasket } from '../offers/offer-in-basket.ts';
import { rememberingMachine } from '../offers/remembering.ts';
import { fromBase, fromTag, type Unit } from '../unit.ts';
import { arcsOf, type Layered } from './layered.ts';
import { mergeStates } from './merge-states.ts';
import { mostGain, spread } from './spread.ts';

/** Arcs that one machine may have; one that needs more is left out of the search, and the answer not proved. */
const MOST_ARCS = 1_000_000;

/**
 * One order in which all these offers read their units: by falling tag, or by falling base where the offers that this
 * does not suit are smaller; those have to remember what they took.
 */
export function commonOrder(offers: readonly OfferInBasket[]): readonly Unit[] {
  const units = new Map<number, Unit>();
  for (const { machine } of offers) for (const unit of machine.members) units.set(unit.position, unit);
  const orders = [
    [...units.values()].sort((a, b) => fromTag(b) - fromTag(a) || byFalling(fromBase)(a, b)),
    [...units.values()].sort((a, b) => fromBase(b) - fromBase(a) || byFalling(fromTag)(a, b)),
  ];
  const [byTag, byBase] = orders.map((order) => {
    const place = placesIn(order);
    const read = ({ machine: { members } }: OfferInBasket) =>
      members.toSorted((a, b) => place.get(a.position)! - place.get(b.position)!);
    return offers.filter((offer) => !suits(offer, read(offer)));
  });
  if (byTag!.length === 0) return orders[0]!;
  return byBase!.length === 0 || sizeOf(byBase!) < sizeOf(byTag!) ? orders[1]! : orders[0]!;
}

/** How many arcs offers have that are read in their own orders. */
function sizeOf(offers: readonly OfferInBasket[]): number {
  return offers.reduce((sum, { machine, startOf }) => {
    const own = spread(machine, machine.members.toSorted(byFalling(startOf)), startOf, MOST_ARCS);
    return sum + (own ? arcsOf(own) : MOST_ARCS);
  }, 0);
}

export interface Spread {
  readonly layered: readonly Layered[];
  /** Their offers, with the machines that were spread out. */
  readonly used: readonly OfferInBasket[];
  /** What offers could save that are too large. */
  readonly lost: number;
}

/** Machines with no more arcs than this are left as they are. */
const SMALL = 300;

/** Every offer spread out over its units in the common order. */
export function spreadAll(
  offers: readonly OfferInBasket[],
  order: readonly Unit[],
  spend: (work: number) => boolean,
): Spread {
  const place = placesIn(order);
  const layered: Layered[] = [];
  const used: OfferInBasket[] = [];
  let lost = 0;
  for (const offer of offers) {
    const found = spreadIn(offer, offer.machine.members, place, MOST_ARCS);
    spend(found ? 4 * arcsOf(found.layered) : MOST_ARCS);
    if (found) {
      layered.push(found.layered);
      used.push({ ...offer, machine: found.machine });
    } else lost += mostOf(offer, spend);
  }
  return { layered, used, lost };
}

/** Small enough in any order. */
const NO_MATTER = 20_000;

/**
 * An offer that is spread out, over the same units in another order.
 * @returns null where it would be much larger.
 */
export const spreadAnew = (offer: OfferInBasket, atHand: Layered, order: readonly Unit[]): Layered | null =>
  spreadIn(offer, atHand.units, placesIn(order), Math.max(NO_MATTER, 2 * arcsOf(atHand)))?.layered ?? null;

type Places = ReadonlyMap<number, number>;

/** An offer over units in this order, with the machine that could be spread out: its own, or one that remembers. */
function spreadIn(
  offer: OfferInBasket,
  members: readonly Unit[],
  place: Places,
  most: number,
): { readonly layered: Layered; readonly machine: OfferMachine } | null {
  const units = members.toSorted((a, b) => place.get(a.position)! - place.get(b.position)!);
  // Every state but the last ones has two arcs.
  const machine = suits(offer, units) ? offer.machine : rememberingMachine(offer, most / 2);
  const made = machine && spread(machine, units, offer.startOf, most);
  return made && { layered: arcsOf(made) > SMALL ? mergeStates(made) : made, machine };
}

/** What an offer could save by itself, read in its own order; where even that is too much, all that its units cost. */
function mostOf(offer: OfferInBasket, spend: (work: number) => boolean): number {
  const units = offer.machine.members.toSorted(byFalling(offer.startOf));
  const own = mostGain(offer.machine, units, offer.startOf, MOST_ARCS);
  spend(MOST_ARCS);
  return own ?? units.reduce((sum, { tag }) => sum + tag, 0);
}

const placesIn = (order: readonly Unit[]): Places =>
  new Map(order.map(({ position }, place) => [position, place]));

/** Whether an offer may read units in this order: it does not mind, or finds them by falling price. */
const suits = ({ machine, startOf }: OfferInBasket, read: readonly Unit[]): boolean =>
  !machine.ordered || read.every((unit, i) => i === 0 || startOf(read[i - 1]!) >= startOf(unit));
