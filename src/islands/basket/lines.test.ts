import { expect, it } from 'vitest';
import { linesOf, textOf, withMore } from './lines.ts';

it.each([
  [
    'Q1*2,Q2*0.5',
    [
      { sku: 'Q1', quantity: '2' },
      { sku: 'Q2', quantity: '0.5' },
    ],
  ],
  ['', []],
  ['Q1,*,Q2*x,Q3*1', [{ sku: 'Q3', quantity: '1' }]],
])('an address %j holds %j', (text, lines) => {
  expect(linesOf(text)).toEqual(lines);
});

it('goes into the address and comes out again', () => {
  const lines = [{ sku: 'a-1', quantity: '3' }];
  expect(linesOf(textOf(lines))).toEqual(lines);
});

it('counts more of what is there, and begins a line for what is not', () => {
  const once = withMore([], 'a', 1);
  expect(once).toEqual([{ sku: 'a', quantity: '1' }]);
  expect(withMore(once, 'a', 2)).toEqual([{ sku: 'a', quantity: '3' }]);
  expect(withMore(once, 'a', -5)).toEqual([{ sku: 'a', quantity: '1' }]);
});
