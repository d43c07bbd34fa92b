import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  alphabetOf,
  type CodePattern,
  drawCode,
  hardness,
  isUnfortunate,
  LOOK_ALIKES,
  lookAlikesIn,
  normalCode,
  patternSize,
} from './index.ts';

const PLAIN: CodePattern = { length: 8, of: 'both', prefix: '', suffix: '', dashEvery: null };
/** A generator that goes through numbers of a seed. */
const picking = (seed: number) => {
  let state = seed;
  return (below: number) => {
    state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
    return Math.floor((state / 2 ** 31) * below);
  };
};
const patterns = fc.record({
  length: fc.integer({ min: 4, max: 24 }),
  of: fc.constantFrom('letters', 'digits', 'both') as fc.Arbitrary<CodePattern['of']>,
  prefix: fc.constantFrom('', 'q-', 'Tea'),
  suffix: fc.constantFrom('', '-W'),
  dashEvery: fc.constantFrom(null, 1, 3, 4),
});

test('whatever is drawn looks like its pattern, has no look-alike and nothing unfortunate in it', () => {
  fc.assert(
    fc.property(patterns, fc.integer({ min: 0, max: 2 ** 30 }), (pattern, seed) => {
      const code = drawCode(pattern, picking(seed));
      const [prefix, suffix] = [pattern.prefix.toUpperCase(), pattern.suffix.toUpperCase()];
      expect(code.startsWith(prefix) && code.endsWith(suffix)).toBe(true);
      const middle = code.slice(prefix.length, code.length - suffix.length);
      const drawn = middle.replaceAll('-', '');
      expect(drawn).toHaveLength(pattern.length);
      expect([...drawn].every((sign) => alphabetOf(pattern).includes(sign))).toBe(true);
      expect(isUnfortunate(drawn)).toBe(false);
      const groups = middle.split('-').map(({ length }) => length);
      expect(groups.slice(0, -1).every((length) => length === pattern.dashEvery)).toBe(true);
      expect(normalCode(code.toLowerCase().replaceAll('-', ' '))).toBe(normalCode(code));
    }),
  );
});

test('letters and digits that stand in one code are none that are taken for each other', () => {
  for (const sign of alphabetOf({ of: 'both' })) expect(LOOK_ALIKES).not.toContain(sign);
  for (const sign of alphabetOf({ of: 'letters' })) expect(LOOK_ALIKES).not.toContain(sign);
  expect(alphabetOf({ of: 'digits' })).toBe('23456789');
});

test.each([
  ['', []],
  ['TEA', []],
  ['sol', ['S', 'O', 'L']],
  ['B-00', ['B', '0']],
  ['Ｏ', ['O']],
])('the look-alikes in "%s" are %j', (text, alike) => {
  expect(lookAlikesIn(text)).toEqual(alike);
});

test.each([
  ['KTHHMR', true],
  ['34KKK9', true],
  ['4488', true],
  ['KTGMXR', false],
])('%s is unfortunate: %s', (drawn, is) => {
  expect(isUnfortunate(drawn)).toBe(is);
});

test('a generator that gives nothing but unfortunate codes is an end, not a circle', () => {
  expect(() => drawCode({ ...PLAIN, of: 'digits' }, () => 6)).toThrow('no fortunate code');
});

test.each([
  // 8^4 = 4,096 codes, half of which are out: every other guess hits.
  [{ ...PLAIN, of: 'digits' as const, length: 4 }, 2_048, 1_440, 2, 'hopeless'],
  [{ ...PLAIN, length: 8 }, 1_000, 187_200, 37_822_859, 'weak'],
  [{ ...PLAIN, length: 12 }, 1_000_000, 4_320_000, 7_355_827_511, 'weak'],
  [{ ...PLAIN, length: 13 }, 1_000_000, 4_320_000, 154_472_377_739, 'hard'],
])('one of %o, %i of them, is hit after %i … tries', (pattern, codes, perDay, tries, verdict) => {
  const found = hardness(pattern, codes, perDay);
  expect(Math.floor(found.tries)).toBe(tries);
  expect(found.days).toBeCloseTo(found.tries / perDay, 5);
  expect(found.verdict).toBe(verdict);
});

test('a pattern gives as many codes as its signs can stand in its places', () => {
  expect(patternSize({ ...PLAIN, length: 4, of: 'digits' })).toBe(4_096n);
  expect(patternSize({ ...PLAIN, length: 24 })).toBe(21n ** 24n);
});
