import { describe, expect, it } from 'vitest';
import type { TimelineView } from '../../contracts/view/index.ts';
import { addressOf, timelineAfter, timelineDesk, wentBy } from './desk.ts';
import { barOf, marksOf, placeOf } from './places.ts';

const DRAWN = { from: '2027-03-01', to: '2027-03-11' };
const row = (...froms: string[]): TimelineView['rows'][number] => ({
  ...{ sku: 'a', name: 'A', stores: [], more: 0 },
  steps: froms.map((from, i) => ({
    ...{ from, to: froms[i + 1] ?? '2027-03-11T00:00', price: '1.00', promotion: null, others: [] },
  })),
});
const ROWS = [
  row('2027-03-01T00:00', '2027-03-03T09:00', '2027-03-08T20:00'),
  row('2027-03-01T00:00', '2027-03-08T00:00'),
];

describe('the desk of prices over time', () => {
  it.each(['', 'item=a', 'node=sun&span=quarter'])('is what its address says: "%s"', (address) => {
    expect(new URLSearchParams(addressOf(timelineDesk(new URLSearchParams(address)))).toString()).toBe(
      address,
    );
  });

  it('begins at the first step whenever something else is drawn', () => {
    const went = timelineAfter(timelineDesk(new URLSearchParams('item=a')), {
      type: 'went',
      row: 1,
      step: 2,
    });
    expect(timelineAfter(went, { type: 'spanned', span: 'quarter' })).toMatchObject({ row: 0, step: 0 });
    expect(timelineAfter(went, { type: 'asked', about: { node: 'sun' } })).toMatchObject({
      about: { node: 'sun' },
      row: 0,
      step: 0,
    });
  });

  it.each([
    ['ArrowRight', 0, 0, '0 1'],
    ['ArrowRight', 0, 2, '0 2'],
    ['ArrowLeft', 0, 0, '0 0'],
    ['End', 0, 0, '0 2'],
    ['Home', 0, 2, '0 0'],
    ['ArrowDown', 0, 1, '1 0'],
    ['ArrowDown', 0, 2, '1 1'],
    ['ArrowUp', 1, 1, '0 1'],
  ])('%s from row %i, step %i leads to %s', (key, at, step, wanted) => {
    const next = wentBy(key, { row: at, step }, ROWS);
    expect(`${next?.row} ${next?.step}`).toBe(wanted);
  });

  it.each([
    ['ArrowUp', 0],
    ['ArrowDown', 1],
    ['a', 0],
    ['ArrowRight', 7],
  ])('%s leads nowhere from row %i', (key, at) => {
    expect(wentBy(key, { row: at, step: 0 }, ROWS)).toBe(null);
  });
});

describe('where things are drawn', () => {
  it('is in percent of the days, and never outside', () => {
    expect(placeOf('2027-03-06T00:00', DRAWN)).toBe(50);
    expect(placeOf('2027-03-01T12:00+01:00', DRAWN)).toBe(5);
    expect([placeOf('2026-01-01T00:00', DRAWN), placeOf('2028-01-01T00:00', DRAWN)]).toEqual([0, 100]);
    expect(barOf({ from: '2027-03-02T00:00', to: '2027-03-04T00:00' }, DRAWN)).toEqual({
      left: 10,
      width: 20,
    });
  });

  it('has a mark for each month, or of a short time every other Monday', () => {
    expect(marksOf({ from: '2027-01-15', to: '2027-07-01' })).toEqual(
      ['02', '03', '04', '05', '06'].map((month) => `2027-${month}-01`),
    );
    expect(marksOf({ from: '2027-03-01', to: '2027-04-01' })).toEqual([
      '2027-03-01',
      '2027-03-15',
      '2027-03-29',
    ]);
  });
});
