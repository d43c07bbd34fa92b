import { describe, expect, it } from 'vitest';
import { change } from '../../../tests/plans/small-plan.ts';
import type { CalendarBar } from '../../contracts/view/index.ts';
import type { PriceChangePromotionDocument } from '../../core/plan/index.ts';
import { crowding, dateOf, daysFrom, laidOut, placeOf } from './days.ts';
import { pulled } from './pulled.ts';

const bar = (
  id: string,
  from: string,
  to: string | null,
  status: CalendarBar['status'] = 'approved',
): CalendarBar => ({
  id,
  name: id,
  status,
  sentence: '',
  from,
  to,
  partly: false,
  revision: 1,
});
const DAYS = daysFrom('2027-04-14T12:00', 2, 1);

describe('the days that are drawn', () => {
  it('begin on the Monday a week before', () => {
    expect([dateOf(DAYS, 0), dateOf(DAYS, 13)]).toEqual(['2027-04-05', '2027-04-18']);
    expect(placeOf('2027-04-06T12:00', DAYS)).toBe(1.5);
  });

  it('lay bars on as few lines as they need, cut to what is seen', () => {
    const bars = [
      bar('c', '2027-04-10T00:00', '2027-04-12T00:00'),
      bar('a', '2027-01-01T00:00', '2027-04-08T00:00'),
      bar('b', '2027-04-06T00:00', null),
      bar('before', '2027-01-01T00:00', '2027-04-05T00:00'),
      bar('after', '2027-04-19T00:00', null),
    ];
    const { placed, tracks } = laidOut(bars, DAYS);
    expect(placed.map(({ bar: { id }, left, right, track }) => [id, left, right, track])).toEqual([
      ['a', 0, 3, 0],
      ['b', 1, 14, 1],
      ['c', 5, 7, 0],
    ]);
    expect(tracks).toBe(2);
  });

  it('show where it crowds and where there is nothing; what is paused does not count', () => {
    const bars = [
      bar('a', '2027-04-06T09:00', '2027-04-07T20:00'),
      bar('b', '2027-04-07T00:00', '2027-04-08T00:00'),
      bar('c', '2027-04-05T00:00', null, 'paused'),
    ];
    expect(crowding(bars, DAYS).slice(0, 5)).toEqual([0, 1, 2, 0, 0]);
  });
});

describe('a bar that is pulled', () => {
  const promotion = change('a', {
    when: { from: '2027-04-06T09:00', to: '2027-04-08T20:00' },
  }) as PriceChangePromotionDocument;
  it.each([
    ['move', 3, { from: '2027-04-09T09:00', to: '2027-04-11T20:00' }],
    ['start', -1, { from: '2027-04-05T09:00', to: '2027-04-08T20:00' }],
    ['end', 7, { from: '2027-04-06T09:00', to: '2027-04-15T20:00' }],
  ] as const)('by its %s by %s days stands at %j', (grip, days, when) => {
    expect(pulled(promotion, { grip, days })).toMatchObject({ promotion: { when } });
  });

  it.each([
    ['start', 3],
    ['end', -3],
  ] as const)('by its %s by %s days past its other end is refused', (grip, days) => {
    expect(pulled(promotion, { grip, days })).toEqual({
      fault: 'It would end before it starts. Nothing was changed.',
    });
  });

  it('keeps an open end open', () => {
    const open = { ...promotion, when: { from: '2027-04-06T09:00' } };
    expect(pulled(open, { grip: 'end', days: 3 })).toMatchObject({
      promotion: { when: { from: '2027-04-06T09:00' } },
    });
  });
});
