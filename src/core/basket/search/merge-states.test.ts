import fc from 'fast-check';
import { expect, it } from 'vitest';
import { generatedBasket } from '../../../../tests/oracle/generated-baskets.ts';
import { basketOf, compiledOf } from '../../../../tests/plans/basket-plan.ts';
import { parseBasket } from '../../../contracts/index.ts';
import { ringingOf } from '../index.ts';
import { byFalling, type OfferInBasket } from '../offers/offer-in-basket.ts';
import { offersInBasket } from '../offers/offers-in-basket.ts';
import { rememberingMachine } from '../offers/remembering.ts';
import { gainsAhead } from './best-run.ts';
import { noPrices } from './greedy.ts';
import { arcsOf, type Layered } from './layered.ts';
import { mergeStates } from './merge-states.ts';
import { mostGain, spread } from './spread.ts';

const MOST = 100_000;

/** Every offer of a generated basket spread out, with a machine that remembers all that it took in the place of its own. */
function offersOf(made: Made): OfferInBasket[] {
  const compiled = compiledOf(made.plan);
  const parsed = parseBasket(basketOf(made.lines), compiled);
  if (!parsed.ok) throw new Error('a basket with faults');
  const { ringing } = ringingOf(compiled, parsed.basket);
  return offersInBasket(ringing.live, ringing.units, ringing.goods);
}

type Made = ReturnType<typeof generatedBasket> extends fc.Arbitrary<infer T> ? T : never;

/** What every set of its units brings, most first where one can be had in several ways; the empty set among them. */
function gainsBySet(one: Layered): Map<string, string> {
  const gains = new Map<string, string>();
  const go = (state: number, layer: number, taken: readonly number[], sums: readonly number[]): void => {
    if (layer === one.units.length) {
      const key = taken.join();
      const brought = sums.join(' ');
      const known = gains.get(key);
      if (known === undefined || brought > known) gains.set(key, brought);
      return;
    }
    for (let a = one.from[state]!; a < one.from[state + 1]!; a++)
      go(
        one.to[a]!,
        layer + 1,
        one.role[a] === -1 ? taken : [...taken, one.units[layer]!.position],
        [one.gain[a]!, one.done[a]!, one.gifts[a]!].map((more, i) => sums[i]! + more),
      );
  };
  go(0, 0, [], [0, 0, 0]);
  return gains;
}

it('leaves what every set of units brings as it was, with no more arcs than before', () => {
  fc.assert(
    fc.property(generatedBasket({ units: 7, offers: 3 }), (made) => {
      for (const offer of offersOf(made)) {
        const units = offer.machine.members.toSorted(byFalling(offer.startOf));
        for (const machine of [offer.machine, rememberingMachine(offer, MOST)!]) {
          const before = spread(machine, units, offer.startOf, MOST)!;
          const after = mergeStates(before);
          expect(gainsBySet(after)).toEqual(gainsBySet(before));
          expect(arcsOf(after)).toBeLessThanOrEqual(arcsOf(before));
        }
      }
    }),
    { numRuns: 150 },
  );
});

it('makes a machine that remembers everything about as small as one that reads its units in its own order', () => {
  let remembered = 0;
  let merged = 0;
  fc.assert(
    fc.property(generatedBasket({ units: 14, offers: 2 }), (made) => {
      for (const offer of offersOf(made)) {
        const units = offer.machine.members.toSorted(byFalling(offer.startOf));
        const large = spread(rememberingMachine(offer, MOST)!, units, offer.startOf, MOST)!;
        remembered += arcsOf(large);
        merged += arcsOf(mergeStates(large));
      }
    }),
    { numRuns: 60, seed: 5 },
  );
  expect(merged * 4).toBeLessThan(remembered);
});

it('is told the most that an offer gains by itself, spread out or not', () => {
  fc.assert(
    fc.property(generatedBasket({ units: 12, offers: 3 }), (made) => {
      for (const { machine, startOf } of offersOf(made)) {
        const units = machine.members.toSorted(byFalling(startOf));
        const one = spread(machine, units, startOf, MOST)!;
        expect(mostGain(machine, units, startOf, MOST)).toBe(
          Math.max(0, gainsAhead(one, noPrices(units))[0]!),
        );
      }
    }),
    { numRuns: 100 },
  );
});
