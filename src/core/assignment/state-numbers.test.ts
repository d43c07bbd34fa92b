import { expect, it } from 'vitest';
import { stateNumbers } from './state-numbers.ts';

it('numbers states in the order in which they turn up, and anew in every layer, small and large ones alike', () => {
  const numbers = stateNumbers();
  const large = 2 ** 40;
  expect([7, large, 7, 3, large].map(numbers.of)).toEqual([0, 1, 0, 2, 1]);
  numbers.nextLayer();
  expect([3, large, 7, 70_000, 3].map(numbers.of)).toEqual([3, 4, 5, 6, 3]);
  expect(numbers.states).toEqual([7, large, 3, 3, large, 7, 70_000]);
});
