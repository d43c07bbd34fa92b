import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { TimelineRequest, TimelineView } from '../../contracts/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { lookAtTimeline } from '../index.ts';

const APRIL = { from: '2027-04-01T09:00', to: '2027-04-08T20:00' };
const TENTH = change('tenth', { when: APRIL, items: { node: 'sun' } });
const FIFTH = change('fifth', {
  when: { from: '2027-04-05T09:00', to: '2027-04-06T20:00' },
  items: { items: ['milk'] },
  formula: { percentOff: 2000 },
  priority: 50,
});

async function ask(asked: Partial<TimelineRequest>, promotions: PromotionDocument[], who = person('viewer')) {
  const at = '2027-04-02T12:00';
  return lookAtTimeline(inMemory(withPromotions(...promotions)), who, { at, span: 'quarter', ...asked });
}
async function looked(
  asked: Partial<TimelineRequest>,
  ...promotions: PromotionDocument[]
): Promise<TimelineView> {
  const outcome = await ask(asked, promotions);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
  return outcome.value;
}
const said = ({ rows }: TimelineView): string[] =>
  rows.map(({ sku, stores, steps }) => {
    const all = steps.map(
      ({ from, price, promotion, others }) =>
        `${from.slice(5)} ${price}${promotion ? ` ${promotion.id}` : ''}${others.length > 0 ? ` (${others.map(({ id }) => id)})` : ''}`,
    );
    return [`${sku} in ${stores.map(({ id }) => id).join(' ')}`, ...all].join(', ');
  });

describe('prices over time', () => {
  it('of an item are told step by step, stores that go the same way together, each by its own clock', async () => {
    const view = await looked({ item: 'milk' }, TENTH, FIFTH);
    expect(view).toMatchObject({ currency: 'EUR', from: '2027-03-05', to: '2027-06-04', of: 'item', cut: 0 });
    expect(said(view)).toEqual([
      'milk in east west, 03-05T00:00 24.90, 04-01T09:00 22.41 tenth, 04-05T09:00 19.92 fifth (tenth), ' +
        '04-06T20:00 22.41 tenth, 04-08T20:00 24.90',
    ]);
  });

  it('of an item differ where stores do, and where it is not sold', async () => {
    expect(said(await looked({ item: 'bar' }))).toEqual([
      'bar in east, 03-05T00:00 1.00, 06-01T00:00 1.20',
      'bar in west, 03-05T00:00 1.10, 05-01T00:00 0.90',
    ]);
    expect(said(await looked({ item: 'unpriced', where: 'east' }))).toEqual([
      'unpriced in east, 03-05T00:00 null',
    ]);
    expect(said(await looked({ item: 'bar', where: 'group:city' }))).toHaveLength(1);
    expect(said(await looked({ item: 'milk', for: 'members', where: 'west' }))).toEqual([
      'milk in west, 03-05T00:00 23.66',
    ]);
  });

  it('of a group of goods are those of one store', async () => {
    const view = await looked({ node: 'beauty', where: 'west' }, TENTH);
    expect(view.of).toBe('group');
    expect(view.rows.map(({ sku, stores }) => `${sku} ${stores[0]!.id}`)).toEqual([
      'milk west',
      'spray west',
      'oil west',
      'gel-50 west',
      'gel-90 west',
    ]);
  });

  it('are told as far as anybody reads them, and how many are left out', async () => {
    const happyHour = change('happy', {
      when: {
        from: '2026-01-01T00:00',
        to: '2028-01-01T00:00',
        windows: [
          { from: '08:00', to: '09:00' },
          { from: '10:00', to: '11:00' },
          { from: '17:00', to: '18:00' },
        ],
      },
    });
    const [row] = (await looked({ item: 'milk', where: 'east', span: 'year' }, happyHour)).rows;
    expect([row!.steps.length, row!.more]).toEqual([400, 365 * 6 + 1 - 400]);
  });

  it.each<[string, Partial<TimelineRequest>, string]>([
    ['an item that is none', { item: 'none' }, 'not-found'],
    ['a place that is none', { node: 'none' }, 'not-found'],
    ['a store that is none', { item: 'milk', where: 'nowhere' }, 'not-found'],
    ['a moment that is none', { item: 'milk', at: 'noon' }, 'invalid'],
    ['a kind of shopper that is none', { item: 'milk', for: 'none' }, 'invalid'],
  ])('are refused for %s', async (_, asked, kind) => {
    expect(await ask(asked, [])).toMatchObject({ ok: false, failure: { kind } });
  });

  it('show a store’s people their own stores alone', async () => {
    const atEast = person('store', ['east']);
    const outcome = await ask({ item: 'bar' }, [], atEast);
    expect(outcome.ok && said(outcome.value)).toEqual(['bar in east, 03-05T00:00 1.00, 06-01T00:00 1.20']);
    expect(await ask({ item: 'bar', where: 'west' }, [], atEast)).toMatchObject({ ok: false });
    expect(await ask({ item: SMALL.items[0]!.sku }, [], person('store', []))).toMatchObject({
      value: { rows: [] },
    });
  });
});
