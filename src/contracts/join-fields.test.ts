import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { joinFields } from './join-fields.ts';

describe('what two people made of one thing', () => {
  const WAS = { a: 1, b: [1], c: null as number | null };
  it.each([
    ['nobody changed anything', WAS, WAS, WAS, []],
    ['one changed something', { ...WAS, a: 2 }, WAS, { ...WAS, a: 2 }, []],
    ['the other did', WAS, { ...WAS, b: [1, 2] }, { ...WAS, b: [1, 2] }, []],
    ['each changed another field', { ...WAS, a: 2 }, { ...WAS, c: 3 }, { ...WAS, a: 2, c: 3 }, []],
    ['both made the same of it', { ...WAS, b: [2] }, { ...WAS, b: [2] }, { ...WAS, b: [2] }, []],
    ['both changed one field', { ...WAS, a: 2, c: 4 }, { ...WAS, a: 3 }, { ...WAS, a: 3, c: 4 }, ['a']],
  ])('%s', (_, mine, theirs, joined, clashing) => {
    expect(joinFields(WAS, mine, theirs)).toEqual({ joined, clashing });
  });

  it('loses no change of either, and clashes only where both made another change', () => {
    const thing = fc.record({ a: fc.nat(2), b: fc.nat(2), c: fc.nat(2) });
    fc.assert(
      fc.property(thing, thing, thing, (was, mine, theirs) => {
        const { joined, clashing } = joinFields(was, mine, theirs);
        for (const key of ['a', 'b', 'c'] as const) {
          const [one, other] = [mine[key] !== was[key], theirs[key] !== was[key]];
          expect(clashing.includes(key)).toBe(one && other && mine[key] !== theirs[key]);
          expect(joined[key]).toBe(one && !other ? mine[key] : theirs[key]);
        }
      }),
    );
  });
});
