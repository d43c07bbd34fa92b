import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { idsOnCycles } from './cycle.ts';
import { checkDigit, hasValidCheckDigit } from './gtin.ts';
import { jsonPointer } from './index.ts';

describe('a barcode', () => {
  it.each(['96385074', '036000291452', '4006381333931', '10614141000415', '00000000'])(
    '%s has the right check digit',
    (text) => {
      expect(hasValidCheckDigit(text)).toBe(true);
    },
  );
  it.each([
    '96385075',
    '4006381333930',
    '123',
    '400638133393',
    '4006381333931 ',
    '400638133393x',
    '123456789',
  ])('%s has not', (text) => {
    expect(hasValidCheckDigit(text)).toBe(false);
  });
  it('tells every single wrong digit', () => {
    const digits = fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 12, maxLength: 12 });
    fc.assert(
      fc.property(
        digits,
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 1, max: 9 }),
        (given, place, more) => {
          const text = given.join('');
          const other = given.map((digit, i) => (i === place ? (digit + more) % 10 : digit)).join('');
          expect(checkDigit(other)).not.toBe(checkDigit(text));
        },
      ),
    );
  });
});

describe('ids that lead back to themselves', () => {
  const reaches = (edges: ReadonlyMap<string, readonly string[]>, from: string): boolean => {
    const seen = new Set<string>();
    const open = [...(edges.get(from) ?? [])];
    while (open.length > 0) {
      const id = open.pop()!;
      if (id === from) return true;
      if (!seen.has(id)) {
        seen.add(id);
        open.push(...(edges.get(id) ?? []));
      }
    }
    return false;
  };

  it('are found where every id has one parent at most, and only there', () => {
    const parents = fc.array(fc.option(fc.integer({ min: 0, max: 9 }), { nil: null }), {
      minLength: 10,
      maxLength: 10,
    });
    fc.assert(
      fc.property(parents, (all) => {
        const edges = new Map(all.map((parent, id) => [String(id), parent === null ? [] : [String(parent)]]));
        const wanted = [...edges.keys()].filter((id) => reaches(edges, id));
        expect([...idsOnCycles([...edges.keys()], (id) => edges.get(id)!)].sort()).toEqual(wanted);
      }),
      { numRuns: 500 },
    );
  });

  it('are found in any graph where there are any, and are truly on one', () => {
    const links = fc.array(fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 6 })), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(links, (pairs) => {
        const ids = Array.from({ length: 7 }, (_, i) => String(i));
        const edges = new Map(
          ids.map((id) => [id, pairs.filter(([a]) => String(a) === id).map(([, b]) => String(b))]),
        );
        const found = idsOnCycles(ids, (id) => edges.get(id)!);
        expect(found.size > 0).toBe(ids.some((id) => reaches(edges, id)));
        for (const id of found) expect(reaches(edges, id), id).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it('do not overflow on a chain as long as a large plan', () => {
    const ids = Array.from({ length: 50_000 }, (_, i) => String(i));
    expect(idsOnCycles(ids, (id) => (id === '0' ? [] : [String(Number(id) - 1)])).size).toBe(0);
  });
});

it.each([
  [[], ''],
  [['items', 3, 'sku'], '/items/3/sku'],
  [['a/b', 'c~d'], '/a~1b/c~0d'],
])('the path %j is the pointer "%s"', (path, pointer) => {
  expect(jsonPointer(path)).toBe(pointer);
});
