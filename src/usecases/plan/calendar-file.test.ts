import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { WhenDocument } from '../../core/plan/index.ts';
import { calendarFile } from '../index.ts';

/** The file as another program reads it. */
async function events(...promotions: Parameters<typeof withPromotions>) {
  const text = await calendarFile(inMemory(withPromotions(...promotions)), person('planner'), null);
  const calendar = new ICAL.Component(ICAL.parse(text));
  return calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
}

/** The first starts of an event, and how long each lasts. */
async function starts(when: WhenDocument, count = 4): Promise<string[]> {
  const [event] = await events(change('a', { when }));
  const iterator = event!.iterator();
  return Array.from({ length: count }, () => iterator.next()?.toString())
    .filter((start) => start !== undefined)
    .map((start) => `${start} ${event!.duration.toString()}`);
}

describe('the calendar file', () => {
  it('has every promotion that is not put away, with its sentence and floating times', async () => {
    const [first, ...others] = await events(
      change('sun', { name: 'Sun days; and more', items: { node: 'sun' } }),
      change('gone', { status: 'archived' }),
    );
    expect(others).toEqual([]);
    expect(first).toMatchObject({
      uid: 'sun@belltag',
      summary: 'Sun days; and more',
      location: 'all stores',
    });
    expect(first!.description).toContain('10 % less on Sun care');
    expect([first!.startDate.toString(), first!.endDate.toString()]).toEqual([
      '2027-03-01T09:00:00',
      '2027-06-01T20:00:00',
    ]);
    expect(first!.startDate.zone.tzid).toBe('floating');
  });

  it.each<[string, WhenDocument, string[]]>([
    [
      'a repeat, from the first day that fits it, up to the end, without the days left out',
      {
        from: '2027-03-01T10:00',
        to: '2027-03-21T00:00',
        repeat: { rrule: 'FREQ=WEEKLY;BYDAY=SA', duration: 'P1D' },
        except: ['2027-03-13'],
      },
      ['2027-03-06T10:00:00 P1D', '2027-03-20T10:00:00 P1D'],
    ],
    [
      'hours of some weekdays',
      {
        from: '2027-03-01T09:00',
        to: '2027-03-12T20:00',
        windows: [{ days: ['thu', 'fri'], from: '18:00', to: '20:00' }],
      },
      [
        '2027-03-04T18:00:00 PT2H',
        '2027-03-05T18:00:00 PT2H',
        '2027-03-11T18:00:00 PT2H',
        '2027-03-12T18:00:00 PT2H',
      ],
    ],
    [
      'hours past midnight',
      { from: '2027-03-01T09:00', to: '2027-03-02T12:00', windows: [{ from: '22:00', to: '02:00' }] },
      ['2027-03-01T22:00:00 PT4H'],
    ],
  ])('says %s', async (_, when, wanted) => {
    expect(await starts(when)).toEqual(wanted);
  });

  it('is of the stores that are asked for, and that the person sees', async () => {
    const ports = inMemory(withPromotions(change('west', { where: { stores: ['west'] } }), change('all')));
    const ids = async (...words: [Parameters<typeof calendarFile>[1], string[] | null]) =>
      (await calendarFile(ports, ...words)).match(/UID:.*/g)?.map((line) => line.trim());
    expect(await ids(person('planner'), null)).toEqual(['UID:west@belltag', 'UID:all@belltag']);
    expect(await ids(person('planner'), ['east'])).toEqual(['UID:all@belltag']);
    expect(await ids(person('store', ['east']), null)).toEqual(['UID:all@belltag']);
  });
});
