import { describe, expect, it } from 'vitest';
import { change } from '../../../tests/plans/small-plan.ts';
import type { WhenDocument } from './index.ts';
import { copyOf, shiftWhen, weeksUntilAfter } from './index.ts';

describe('the same some days later', () => {
  it.each<[WhenDocument, number, WhenDocument]>([
    [{ from: '2027-03-01T09:00' }, 7, { from: '2027-03-08T09:00' }],
    [
      { from: '2027-02-27T09:00:30', to: '2027-03-01T20:00' },
      -28,
      { from: '2027-01-30T09:00:30', to: '2027-02-01T20:00' },
    ],
    [
      {
        from: '2027-12-30T00:00',
        except: ['2027-12-31'],
        windows: [{ days: ['sat'], from: '10:00', to: '12:00' }],
      },
      7,
      {
        from: '2028-01-06T00:00',
        except: ['2028-01-07'],
        windows: [{ days: ['sat'], from: '10:00', to: '12:00' }],
      },
    ],
    [
      { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=DAILY;UNTIL=20270331T180000', duration: 'P1D' } },
      7,
      { from: '2027-03-08T09:00', repeat: { rrule: 'FREQ=DAILY;UNTIL=20270407T180000', duration: 'P1D' } },
    ],
  ])('%j by %s days is %j', (when, days, wanted) => {
    expect(shiftWhen(when, days)).toEqual(wanted);
    expect(shiftWhen(wanted, -days)).toEqual(when);
  });

  it.each([
    ['2027-03-01T09:00', '2027-03-01T08:59', 1],
    ['2027-03-01T09:00', '2027-03-01T09:00', 1],
    ['2027-03-01T09:00', '2027-03-08T09:01', 2],
    ['2027-03-01T09:00', '2027-04-01T00:00', 5],
    ['2028-03-01T09:00', '2027-04-01T00:00', 1],
  ])('what began %s is after %s again in %s weeks', (from, moment, weeks) => {
    expect(weeksUntilAfter({ from }, moment)).toBe(weeks);
    expect(shiftWhen({ from }, 7 * weeks).from > moment).toBe(true);
  });

  it('is a draft of its own', () => {
    const copy = copyOf(change('a', { status: 'approved' }), 'b', 7);
    expect(copy).toMatchObject({ id: 'b', status: 'draft', when: { from: '2027-03-08T09:00' } });
  });
});
