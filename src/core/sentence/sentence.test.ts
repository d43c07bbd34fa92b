import { describe, expect, it } from 'vitest';
import { change, type Promoted, SMALL } from '../../../tests/plans/small-plan.ts';
import { HOUSE_WRITING } from '../writing/index.ts';
import { namesOf, promotionText, withoutDates } from './index.ts';

/** With an account, which is called by its name. */
const NAMED = { ...SMALL, shoppers: [...(SMALL.shoppers ?? []), { id: 'clinic', name: 'Harbour Clinic' }] };
const say = (said: Promoted) => promotionText(change('c', said), 'EUR', namesOf(NAMED));
const WHEN = 'From Mon 1 Mar 2027, 9:00 to Tue 1 Jun 2027, 20:00';

describe('the deal sentence', () => {
  it('says when, where, who, what and on which goods', () => {
    expect(
      say({
        when: { from: '2026-12-03T09:00', to: '2026-12-06T20:00' },
        where: { group: 'city' },
        who: { groups: ['members'] },
        formula: { percentOff: 1500 },
        items: { allOf: [{ node: 'sun' }, { not: { tag: 'new' } }] },
        rounding: { step: '0.05', mode: 'up' },
      }),
    ).toBe(
      'From Thu 3 Dec 2026, 9:00 to Sun 6 Dec 2026, 20:00, in City stores, members pay 15 % less on Sun care, except goods tagged new, rounded up to 0.05.',
    );
  });

  it.each([
    ['its dates', {}, /^In all stores, all shoppers pay 10 % less on everything\.$/],
    ['an open end', { to: undefined }, /^In all stores, /],
    [
      'its dates, and keeps the days',
      { windows: [{ days: ['sat'], from: '00:00', to: '24:00' }] },
      /^Only on Sat, in all stores, /,
    ],
  ] as const)('without %s where they stand beside it', (_, more, wanted) => {
    const when = { from: '2027-03-01T09:00', to: '2027-06-01T20:00', ...JSON.parse(JSON.stringify(more)) };
    if ('to' in more) delete when.to;
    expect(withoutDates(say({ when }), when, HOUSE_WRITING)).toMatch(wanted);
  });

  it.each<[Promoted, string]>([
    [{ formula: { amountOff: '2.50' } }, 'pay 2.50 EUR less on everything'],
    [{ formula: { setTo: '9.99' } }, 'pay 9.99 EUR for everything'],
    [{ formula: { multiplyBy: '0.85' } }, 'pay the price times 0.85 for everything'],
    [{ formula: { addPercent: 2000 } }, 'pay cost plus 20 % for everything'],
    [{ formula: { marginOnPrice: 1250 } }, 'pay a price with 12.5 % margin for everything'],
    [
      { formula: { basis: 'regular', percentOff: 1000 } },
      'pay 10 % less than the regular price on everything',
    ],
    [
      { formula: { basis: { priceList: 'staff' }, percentOff: 1000 } },
      'pay 10 % less than the price list Staff on everything',
    ],
    [{ formula: { basis: 'cost', multiplyBy: '1.5' } }, 'pay the cost times 1.5 for everything'],
    [{ linePrices: { milk: '1.00' } }, 'pay prices of their own for everything'],
    [{ items: { items: ['milk', 'spray'] } }, 'on Sun milk and Sun spray'],
    [{ items: { set: 'summer' } }, 'on the set Summer'],
    [{ items: { brand: 'Wrenfold' } }, 'on the brand Wrenfold'],
    [{ items: { regularPrice: { atLeast: '5.00', atMost: '10.00' } } }, 'on goods priced from 5.00 to 10.00'],
    [{ items: { regularPrice: { atMost: '10.00' } } }, 'on goods priced up to 10.00'],
    [{ items: { attribute: 'size', in: ['50', '100'] } }, 'on goods with size 50 or 100'],
    [{ items: { not: { node: 'food' } } }, 'on everything except Food'],
  ])('%j says "%s"', (said, words) => {
    expect(say(said)).toContain(words);
  });

  it.each<[Promoted, string]>([
    [{ where: { stores: ['east', 'west'] } }, `${WHEN}, in East and West, all shoppers`],
    [{ where: { zone: 'isles' } }, `${WHEN}, in zone Isles, all shoppers`],
    [{ where: { not: { stores: ['west'] } } }, `${WHEN}, in all stores except West, all shoppers`],
    [
      { who: { groups: ['members', 'staff'], guests: true } },
      `${WHEN}, in all stores, members, staff and guests pay`,
    ],
    [{ who: { shoppers: ['m-1'] } }, `${WHEN}, in all stores, those with the number m-1 pay`],
    [
      { who: { groups: ['members'], shoppers: ['m-1', 'clinic', 'm-2'] } },
      `${WHEN}, in all stores, members, the people of Harbour Clinic and those with the numbers m-1 and m-2 pay`,
    ],
    [{ who: { shoppers: ['m-1', 'm-2', 'm-3', 'm-4'] } }, `${WHEN}, in all stores, 4 shoppers by number pay`],
    [{ who: { guests: false } }, `${WHEN}, in all stores, all but guests pay`],
    [{ when: { from: '2027-03-01T09:00' } }, 'From Mon 1 Mar 2027, 9:00 with no end, in all stores'],
    [
      { when: { from: '2027-03-01T09:00', windows: [{ days: ['thu', 'fri'], from: '18:00', to: '20:00' }] } },
      'with no end, only Thu, Fri 18:00–20:00, in all stores',
    ],
    [
      {
        when: {
          from: '2027-03-01T09:00',
          repeat: { rrule: 'FREQ=MONTHLY;BYDAY=1SA', duration: 'P1DT6H' },
          except: ['2027-04-03'],
        },
      },
      'with no end, every month on the 1st Saturday, each time for 1 day 6 hours, but not on Sat 3 Apr 2027, in all stores',
    ],
  ])('%j says "%s"', (said, words) => {
    expect(say(said)).toContain(words);
  });

  it.each<[Promoted, string]>([
    [
      { rounding: { endings: ['0.49', '0.99'], mode: 'nearest' } },
      ', rounded to the nearest price ending in 0.49 or 0.99.',
    ],
    [{ rounding: { endings: ['0.99'], mode: 'down' } }, ', rounded down to a price ending in 0.99.'],
    [{ onTop: true }, ', on top of what else applies.'],
    [{ onTop: true, of: 'base' }, ', on top of what else applies, counted from the base price.'],
    [{ mayRaise: true }, ', even where that raises the price.'],
    [{ alone: true }, ', and nothing adds to it.'],
    [{ channels: ['web', 'app'] }, ', only in the channel web or app.'],
    [{ terminals: ['counter'] }, ', only at the terminals counter.'],
    [{ codes: ['A'] }, ', with a code.'],
    [{ linePrices: { milk: '1.00' }, formula: { percentOff: 100 } }, ', 1 item at a price of their own.'],
  ])('%j ends "%s"', (said, words) => {
    expect(say(said).endsWith(words), say(said)).toBe(true);
  });

  it.each([
    [['mon', 'tue', 'wed', 'thu', 'fri', 'sat'], 'only Mon–Sat 10:00–12:00'],
    [['sun', 'mon', 'tue', 'wed'], 'only Mon–Wed, Sun 10:00–12:00'],
    [['mon', 'tue'], 'only Mon, Tue 10:00–12:00'],
    [['wed'], 'only Wed 10:00–12:00'],
  ] as const)('hours on %j are said as "%s"', (days, words) => {
    const windows = [{ days: [...days], from: '10:00', to: '12:00' }];
    expect(say({ when: { from: '2027-03-01T09:00', windows } })).toContain(words);
  });
});
