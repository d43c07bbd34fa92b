import fc from 'fast-check';
import { expect, it } from 'vitest';
import { parseBasket } from '../../src/contracts/index.ts';
import { gainsAhead } from '../../src/core/assignment/best-run.ts';
import { noMultipliers } from '../../src/core/assignment/incumbent.ts';
import { byFalling, type Contender } from '../../src/core/assignment/index.ts';
import { arcsOf, type LayeredGraph } from '../../src/core/assignment/layered-graph.ts';
import { minimise } from '../../src/core/assignment/minimise.ts';
import { rememberingAutomaton } from '../../src/core/assignment/remembering.ts';
import { mostGain, unroll } from '../../src/core/assignment/unroll.ts';
import type { OfferInBasket } from '../../src/core/offer/index.ts';
import { ringingOf } from '../../src/core/receipt/index.ts';
import { offersInBasket } from '../../src/core/receipt/offers-in-basket.ts';
import { generatedBasket } from '../oracle/generated-baskets.ts';
import { basketOf, compiledOf } from '../plans/basket-plan.ts';

const MOST = 100_000;

/** Every offer of a generated basket spread out, with an automaton that remembers all that it took in the place of its own. */
function offersOf(made: Made): OfferInBasket[] {
  const compiled = compiledOf(made.plan);
  const parsed = parseBasket(basketOf(made.lines), compiled);
  if (!parsed.ok) throw new Error('a basket with faults');
  const { ringing } = ringingOf(compiled, parsed.basket);
  return offersInBasket(ringing.live, ringing.units, ringing.goods);
}

type Made = ReturnType<typeof generatedBasket> extends fc.Arbitrary<infer T> ? T : never;

/** What every set of its units brings, most first where one can be had in several ways; the empty set among them. */
function gainsBySet(one: LayeredGraph): Map<string, string> {
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
        const units = offer.automaton.members.toSorted(byFalling(offer.levelOf));
        for (const automaton of [
          offer.automaton,
          rememberingAutomaton(offer as unknown as Contender, MOST)! as OfferInBasket['automaton'],
        ]) {
          const before = unroll(automaton, units, offer.levelOf, MOST)!;
          const after = minimise(before);
          expect(gainsBySet(after)).toEqual(gainsBySet(before));
          expect(arcsOf(after)).toBeLessThanOrEqual(arcsOf(before));
        }
      }
    }),
    { numRuns: 150 },
  );
});

it('makes an automaton that remembers everything about as small as one that reads its units in its own order', () => {
  let remembered = 0;
  let merged = 0;
  fc.assert(
    fc.property(generatedBasket({ units: 14, offers: 2 }), (made) => {
      for (const offer of offersOf(made)) {
        const units = offer.automaton.members.toSorted(byFalling(offer.levelOf));
        const large = unroll(
          rememberingAutomaton(offer as unknown as Contender, MOST)! as OfferInBasket['automaton'],
          units,
          offer.levelOf,
          MOST,
        )!;
        remembered += arcsOf(large);
        merged += arcsOf(minimise(large));
      }
    }),
    { numRuns: 60, seed: 5 },
  );
  expect(merged * 4).toBeLessThan(remembered);
});

it('is told the most that an offer gains by itself, spread out or not', () => {
  fc.assert(
    fc.property(generatedBasket({ units: 12, offers: 3 }), (made) => {
      for (const { automaton, levelOf } of offersOf(made)) {
        const units = automaton.members.toSorted(byFalling(levelOf));
        const one = unroll(automaton, units, levelOf, MOST)!;
        expect(mostGain(automaton, units, levelOf, MOST)).toBe(
          Math.max(0, gainsAhead(one, noMultipliers(units))[0]!),
        );
      }
    }),
    { numRuns: 100 },
  );
});
