import { type ForcedRun, forcedRun } from '../../assignment/index.ts';
import type { Bundle, Combo, UnitOffer } from '../../plan/index.ts';
import { percentOf, priceUnder } from '../reduction.ts';
import { shareOut } from '../share-out.ts';
import type { Unit } from '../unit.ts';
import { FREE } from './free-goods.ts';
import type { OfferInBasket } from './offer-in-basket.ts';
import { REWARDED } from './reward-unit.ts';

type OfferRun = ForcedRun<Unit>;

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
  offer: OfferInBasket,
  kind: UnitOffer,
  used: readonly Unit[],
  skuOf: (item: number) => string,
): Applied {
  const run = forcedRun(offer, used);
  if (!run) throw new Error('an offer was chosen for units that make no application');
  const { units, gifts } = run;
  return { offer, times: run.done, units, gifts, prices: pricesIn(offer, kind, run, skuOf) };
}

function pricesIn(
  offer: OfferInBasket,
  kind: UnitOffer,
  run: OfferRun,
  skuOf: (item: number) => string,
): number[] {
  const { levelOf } = offer;
  const each = (price: (start: number, role: number, unit: Unit) => number) =>
    run.units.map((unit, i) => price(levelOf(unit), run.roles[i]!, unit));
  switch (kind.kind) {
    case 'quantityBreak':
      return each((start, role) => (role === 0 ? start : priceUnder(kind.tiers[role - 1]!.value, start)));
    case 'rewardUnit':
      return each((start, role) => (role === REWARDED ? priceUnder(kind.value, start) : start));
    case 'buyAndGet':
      return each((start, role) => (role === kind.buy.length ? priceUnder(kind.value, start) : start));
    case 'freeGoods':
      return kind.gift === null
        ? each((start, role) => (role === FREE ? 0 : start))
        : run.units.map(({ tag }) => tag);
    case 'bundle':
      return bundlePrices(offer, kind, run);
    case 'combo':
      return comboPrices(offer, kind, run, skuOf);
  }
}

function bundlePrices(offer: OfferInBasket, { value, take }: Bundle, run: OfferRun): number[] {
  const starts = run.units.map(offer.levelOf);
  if (value.kind === 'each') return starts.map((start) => Math.min(value.amount, start));
  if (value.kind === 'percentOff') return starts.map((start) => start - percentOf(start, value.percent));
  return reducedTogether(run.units, starts, bundlesOf(take, run), (sum) =>
    value.kind === 'total' ? Math.max(0, sum - value.amount) : Math.min(value.amount, sum),
  );
}

/** Places of the units of each bundle: those that follow each other by falling price. */
function bundlesOf(take: number, { units }: OfferRun): readonly (readonly number[])[] {
  const places = units.map((_, i) => i);
  return places.filter((i) => i % take === 0).map((i) => places.slice(i, i + take));
}

function comboPrices(
  offer: OfferInBasket,
  { slots, value, extra }: Combo,
  run: OfferRun,
  skuOf: (item: number) => string,
): number[] {
  const starts = run.units.map(offer.levelOf);
  const extras = run.units.map((unit) => extra.get(skuOf(unit.item)) ?? 0);
  if (value === null)
    return starts.map((start, i) => Math.min(start, slots[run.roles[i]!]!.each! + extras[i]!));
  if (value.kind === 'percentOff') return starts.map((start) => start - percentOf(start, value.percent));
  const ofSlot = slots.map((_, slot) => run.units.map((_u, i) => i).filter((i) => run.roles[i] === slot));
  const combos = Array.from({ length: run.done }, (_, combo) =>
    slots.flatMap(({ quantity }, slot) => ofSlot[slot]!.slice(combo * quantity, (combo + 1) * quantity)),
  );
  return reducedTogether(run.units, starts, combos, (sum, places) => {
    const deal = value.amount + places.reduce((more, i) => more + extras[i]!, 0);
    return Math.max(0, sum - deal);
  });
}

/** Shares the reduction of each group over its units, in proportion to their starting prices. */
function reducedTogether(
  units: readonly Unit[],
  starts: readonly number[],
  groups: readonly (readonly number[])[],
  reduction: (sum: number, places: readonly number[]) => number,
): number[] {
  const prices = [...starts];
  for (const places of groups) {
    const sum = places.reduce((all, i) => all + starts[i]!, 0);
    const shares = shareOut(
      reduction(sum, places),
      places.map((i) => ({ weight: starts[i]!, position: units[i]!.position })),
    );
    places.forEach((i, at) => {
      prices[i] = starts[i]! - shares[at]!;
    });
  }
  return prices;
}
