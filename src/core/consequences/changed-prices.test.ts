import { describe, expect, it } from 'vitest';
import { change, compiled, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { formatMoment, parseMoment } from '../calendar/index.ts';
import type { PlanDocument } from '../plan/index.ts';
import { changedPrices } from './index.ts';

/** "milk 2490 > 2241 at 2027-03-01T09:00 by sun", one for each price that the east store would get. */
function told(before: PlanDocument | null, after: PlanDocument, store = 'east'): string[] {
  const plan = compiled(after);
  const clock = plan.clockOf(plan.stores.get(store)!);
  const ids = (document: PlanDocument | null) => (document?.promotions ?? []).map(({ id }) => id);
  const differing = {
    promotions: new Set([...ids(before), ...ids(after)]),
    items: new Set(after.items.map(({ sku }) => sku)),
  };
  const now = parseMoment('2027-02-01T12:00', clock)!;
  return changedPrices(before && compiled(before), plan, store, now, differing).map(
    (one) =>
      `${one.sku} ${one.before} > ${one.after} at ${formatMoment(one.at, clock)} by ${one.by.join(' + ')}${one.guests ? '' : ', not guests'}`,
  );
}

const priced = (prices: PlanDocument['items'][number]['prices']): PlanDocument => ({
  ...SMALL,
  items: SMALL.items.map((item) => (item.sku === 'oil' ? { ...item, prices } : item)),
});

describe('the prices of a store that are not those it was sent', () => {
  it.each<[string, PlanDocument | null, PlanDocument, string[]]>([
    ['none where both plans are the same', withPromotions(change('a')), withPromotions(change('a')), []],
    [
      'when a promotion that is new first counts, the largest change first',
      SMALL,
      withPromotions(
        change('oil', { items: { items: ['oil'] }, formula: { percentOff: 500 } }),
        change('sun', { items: { items: ['milk'] }, formula: { percentOff: 2000 } }),
      ),
      ['milk 2490 > 1992 at 2027-03-01T09:00 by sun', 'oil 800 > 760 at 2027-03-01T09:00 by oil'],
    ],
    [
      'when one that is taken back would have counted',
      withPromotions(change('gone', { items: { items: ['oil'] } })),
      SMALL,
      ['oil 720 > 800 at 2027-03-01T09:00 by '],
    ],
    [
      'for those alone whom a promotion is for, above what they pay without it',
      SMALL,
      withPromotions(change('students', { items: { items: ['oil'] }, who: { groups: ['students'] } })),
      ['oil 800 > 720 at 2027-03-01T09:00 by students, not guests'],
    ],
    [
      'with what comes on top where nothing else sets a price',
      SMALL,
      withPromotions(change('top', { items: { items: ['oil'] }, onTop: true })),
      ['oil 800 > 720 at 2027-03-01T09:00 by top'],
    ],
    [
      'at once, where a regular price is another',
      SMALL,
      priced([{ price: '9.00' }]),
      ['oil 800 > 900 at 2027-02-01T12:00 by '],
    ],
    [
      'on the day on which a regular price begins',
      SMALL,
      priced([{ price: '8.00' }, { price: '8.50', since: '2027-07-01' }]),
      ['oil 800 > 850 at 2027-07-01T00:00 by '],
    ],
    [
      'all of them, where nothing was sent',
      null,
      priced([]),
      expect.arrayContaining(['milk null > 2490 at 2027-02-01T12:00 by ']) as never,
    ],
  ])('%s', (_, before, after, wanted) => {
    expect(told(before, after)).toEqual(wanted);
  });

  it('are those of the store that is asked about', () => {
    const only = withPromotions(change('west', { items: { items: ['oil'] }, where: { stores: ['west'] } }));
    expect([told(SMALL, only, 'east'), told(SMALL, only, 'west')]).toEqual([
      [],
      ['oil 800 > 720 at 2027-03-01T09:00 by west'],
    ]);
  });
});
