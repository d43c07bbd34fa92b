import fc from 'fast-check';
import { expect, it } from 'vitest';
import { minorUnits } from '../../money/index.ts';
import { bestChoice } from '../search/best-choice.ts';
import { mostGain } from '../search/spread.ts';
import { fromBase, type Unit } from '../unit.ts';
import { partitionOf } from './bundle-partition.ts';
import { cappedMachine } from './capped-bundle.ts';
import type { OfferMachine } from './machine.ts';
import { byFalling } from './offer-in-basket.ts';

const MOST = 1_000_000;
const NO_LIMIT = Number.POSITIVE_INFINITY;

/** Units with a base, and a tag at or below it. */
const units = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 10 })), {
    minLength: 2,
    maxLength: 9,
  })
  .map((pairs) =>
    pairs.map(
      ([base, less], position): Unit => ({
        position,
        line: position,
        item: position,
        regular: minorUnits(base),
        base: minorUnits(base),
        tag: minorUnits(Math.max(0, base - less)),
      }),
    ),
  );
const cases = fc.record({
  members: units,
  take: fc.integer({ min: 2, max: 4 }),
  amount: fc.integer({ min: 1, max: 90 }),
  limit: fc.constantFrom(1, 2, NO_LIMIT),
});

const gainOf = (machine: OfferMachine): number =>
  mostGain(machine, machine.members.toSorted(byFalling(fromBase)), fromBase, MOST)!;

/** Every set of whole bundles of them tried. */
function bestOf(members: readonly Unit[], take: number, amount: number, limit: number): number {
  let best = 0;
  for (let set = 0; set < 2 ** members.length; set++) {
    const used = members.filter((_, i) => (set >> i) % 2 === 1);
    if (used.length % take > 0 || used.length / take > limit) continue;
    const lost = used.reduce((sum, { tag, base }) => sum + tag - base, 0);
    const { worth } = partitionOf(
      used.map(({ base }) => base),
      take,
      amount,
    );
    best = Math.max(best, worth + lost);
  }
  return best;
}

it('a bundle whose amount off may exceed it: its exact machine gains what the best of all sets does', () => {
  fc.assert(
    fc.property(cases, ({ members, take, amount, limit }) => {
      const machine = cappedMachine(0, take, amount, members, fromBase, limit);
      expect(gainOf(machine.exact!)).toBe(bestOf(members, take, amount, limit));
    }),
    { numRuns: 200 },
  );
});

it('what stands for it never gains more, what bounds it never less', () => {
  fc.assert(
    fc.property(cases, ({ members, take, amount, limit }) => {
      const machine = cappedMachine(0, take, amount, members, fromBase, limit);
      const exact = gainOf(machine.exact!);
      for (const part of machine.narrowed) expect(gainOf(part)).toBeLessThanOrEqual(exact);
      for (const share of [0, 0.25, 0.5, 0.75, 1])
        expect(gainOf(machine.relaxed(share))).toBeGreaterThanOrEqual(exact);
    }),
    { numRuns: 200 },
  );
});

it('its choices of prices, each an offer by itself, save as much together', () => {
  fc.assert(
    fc.property(cases, ({ members, take, amount }) => {
      const machine = cappedMachine(0, take, amount, members, fromBase, NO_LIMIT);
      const patterns = machine.patterns(1);
      // Of nine prices four at a time there are too many choices.
      fc.pre(patterns !== null);
      const offers = patterns!.map((pattern) => ({
        promotion: 'p',
        priority: 1,
        startOf: fromBase,
        kindOf: ({ base }: Unit) => String(base),
        machine: pattern,
      }));
      const { saving, proved } = bestChoice(offers, { left: 30_000_000 });
      expect([saving, proved]).toEqual([gainOf(machine.exact!), true]);
    }),
    { numRuns: 100 },
  );
});
