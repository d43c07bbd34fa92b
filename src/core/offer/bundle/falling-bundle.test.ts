import fc from 'fast-check';
import { expect, it } from 'vitest';
import { byFalling, forcedRun, mostGain } from '../../assignment/index.ts';
import { minorUnits } from '../../money/index.ts';
import { fromBase, type Unit } from '../room/unit.ts';
import { fallingBundleAutomaton } from './falling-bundle.ts';

const NO_LIMIT = Number.POSITIVE_INFINITY;

/** Units with a base, and a tag at or below it. */
const units = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 10 })), {
    minLength: 2,
    maxLength: 10,
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
  take: fc.integer({ min: 2, max: 5 }),
  amount: fc.integer({ min: 1, max: 90 }),
  limit: fc.constantFrom(1, 2, NO_LIMIT),
});

/** What these units save, bundled by falling price; null where they make no whole bundles. */
function savedBy(used: readonly Unit[], take: number, amount: number): number | null {
  if (used.length % take > 0) return null;
  const falling = used.toSorted(byFalling(fromBase));
  let saved = used.reduce((sum, { tag, base }) => sum + tag - base, 0);
  for (let i = 0; i < falling.length; i += take) {
    const cost = falling.slice(i, i + take).reduce((sum, { base }) => sum + base, 0);
    saved += Math.min(amount, cost);
  }
  return saved;
}

it('gains on every set of units what their bundles by falling price save, and at best what the best set does', () => {
  fc.assert(
    fc.property(cases, ({ members, take, amount, limit }) => {
      const automaton = fallingBundleAutomaton(0, { take, amount }, members, fromBase, limit);
      let best = 0;
      for (let set = 1; set < 2 ** members.length; set++) {
        const used = members.filter((_, i) => (set >> i) % 2 === 1);
        const allowed = used.length / take <= limit;
        const saved = allowed ? savedBy(used, take, amount) : null;
        const run = forcedRun({ automaton, levelOf: fromBase }, used);
        expect(run?.gain ?? null).toBe(saved);
        best = Math.max(best, saved ?? 0);
      }
      const read = members.toSorted(byFalling(fromBase));
      expect(mostGain(automaton, read, fromBase, 1_000_000)).toBe(best);
    }),
    { numRuns: 120 },
  );
});
