import { expect, test } from 'vitest';
import { type Step, stepLine } from './step-line.ts';

const step = (from: number, to: number, price: number | null): Step => ({ from, to, price });

test.each<[string, Step[], string]>([
  ['one price lies in the middle', [step(0, 10, 5)], 'M0 50H100'],
  ['a dearer one stands higher', [step(0, 5, 4), step(5, 10, 8)], 'M0 92H50V8H100'],
  ['one between them in proportion', [step(0, 2, 4), step(2, 6, 6), step(6, 10, 8)], 'M0 92H20V50H60V8H100'],
  ['what is not sold leaves a gap', [step(0, 5, 4), step(5, 8, null), step(8, 10, 4)], 'M0 50H50M80 50H100'],
  ['what is not sold at first begins later', [step(0, 5, null), step(5, 10, 4)], 'M50 50H100'],
])('%s', (_, steps, path) => {
  expect(stepLine(steps, 0)?.path).toBe(path);
});

test('nothing is drawn of what has no price', () => {
  expect(stepLine([], 0)).toBeNull();
  expect(stepLine([step(0, 10, null)], 0)).toBeNull();
});

test('labels stand apart, and the ends of the scale always', () => {
  const line = stepLine([step(0, 2, 4), step(2, 4, 4.1), step(4, 100, 8)], 250)!;
  expect(line.prices.map(({ value }) => value)).toEqual([8, 4]);
  expect(line.moments.map(({ value }) => value)).toEqual([0, 100]);
  // A moment beyond the line stands at its end.
  expect(line.now).toBe(100);
});
