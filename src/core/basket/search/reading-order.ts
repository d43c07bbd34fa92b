import { byFalling, type OfferInBasket } from '../offers/offer-in-basket.ts';
import { rememberingMachine } from '../offers/remembering.ts';
import { fromBase, fromTag, type Unit } from '../unit.ts';
import { gainsAhead } from './best-run.ts';
import { arcsOf, type Layered, spread } from './layered.ts';

/** Arcs that one machine may have; one that needs more is left out of the search, and the answer not proved. */
const MOST_ARCS = 2_000_000;

/**
 * One order in which all these offers read their units: by falling tag, or by falling base where that suits more of the
 * offers to which the order matters.
 */
export function commonOrder(offers: readonly OfferInBasket[]): readonly Unit[] {
  const units = new Map<number, Unit>();
  for (const { machine } of offers) for (const unit of machine.members) units.set(unit.position, unit);
  const orders = [
    [...units.values()].sort((a, b) => fromTag(b) - fromTag(a) || byFalling(fromBase)(a, b)),
    [...units.values()].sort((a, b) => fromBase(b) - fromBase(a) || byFalling(fromTag)(a, b)),
  ];
  const unsuited = orders.map((order) => {
    const place = placesIn(order);
    const read = ({ machine: { members } }: OfferInBasket) =>
      members.toSorted((a, b) => place.get(a.position)! - place.get(b.position)!);
    return offers.filter((offer) => !suits(offer, read(offer))).length;
  });
  return unsuited[1]! < unsuited[0]! ? orders[1]! : orders[0]!;
}

/** Every offer spread out over its units in the common order. `lost`: what those that are too large could save. */
export function spreadAll(
  offers: readonly OfferInBasket[],
  order: readonly Unit[],
  spend: (work: number) => boolean,
): { layered: Layered[]; lost: number } {
  const place = placesIn(order);
  const layered: Layered[] = [];
  let lost = 0;
  for (const offer of offers) {
    const one = spreadIn(offer, offer.machine.members, place);
    spend(one ? 4 * arcsOf(one) : MOST_ARCS);
    if (one) layered.push(one);
    else lost += mostOf(offer, spend);
  }
  return { layered, lost };
}

/**
 * An offer spread out over some of its units, the others skipped, in another order.
 * @returns null where it would be too large.
 */
export const spreadAnew = (
  offer: OfferInBasket,
  units: readonly Unit[],
  order: readonly Unit[],
): Layered | null => spreadIn(offer, units, placesIn(order));

type Places = ReadonlyMap<number, number>;

function spreadIn(offer: OfferInBasket, members: readonly Unit[], place: Places): Layered | null {
  const units = members.toSorted((a, b) => place.get(a.position)! - place.get(b.position)!);
  const machine = suits(offer, units) ? offer.machine : rememberingMachine(offer);
  return spread(machine, units, offer.startOf, MOST_ARCS);
}

/** What an offer could save by itself, read in its own order; where even that is too much, all that its units cost. */
function mostOf(offer: OfferInBasket, spend: (work: number) => boolean): number {
  const units = offer.machine.members.toSorted(byFalling(offer.startOf));
  const own = spread(offer.machine, units, offer.startOf, MOST_ARCS);
  spend(own ? arcsOf(own) : MOST_ARCS);
  if (!own) return units.reduce((sum, { tag }) => sum + tag, 0);
  const prices = new Float64Array(1 + Math.max(...units.map(({ position }) => position)));
  return Math.max(0, gainsAhead(own, prices)[0]!);
}

const placesIn = (order: readonly Unit[]): Places =>
  new Map(order.map(({ position }, place) => [position, place]));

/** Whether an offer may read units in this order: it does not mind, or finds them by falling price. */
const suits = ({ machine, startOf }: OfferInBasket, read: readonly Unit[]): boolean =>
  !machine.ordered || read.every((unit, i) => i === 0 || startOf(read[i - 1]!) >= startOf(unit));
