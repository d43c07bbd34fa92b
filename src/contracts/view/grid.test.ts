import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hasStore, writeStores } from './grid.ts';

describe('some stores of a column', () => {
  it('are read as they were written', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(70)), (numbers) => {
        const text = writeStores(numbers);
        for (let number = 0; number < 80; number++)
          expect(hasStore(text, number)).toBe(numbers.includes(number));
      }),
    );
  });

  it.each([
    [[], ''],
    [[0], '1'],
    [[0, 1, 2, 3, 4], 'f1'],
    [[7], '08'],
  ])('are written four to a digit: %j as "%s"', (numbers, text) => {
    expect(writeStores(numbers)).toBe(text);
  });
});
