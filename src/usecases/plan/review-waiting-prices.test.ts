import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { WaitingPrices } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { reviewWaitingPrices, savePromotion } from '../index.ts';

const NOW = Date.parse('2027-04-14T10:00:00Z') as Instant;
const planner = person('planner');

async function waiting(standing: PromotionDocument, written: PromotionDocument, store = 'east') {
  const ports = inMemory(withPromotions(standing), { another: true, stockroom: true });
  await savePromotion(ports, planner, { promotion: written, revision: 1 });
  return reviewWaitingPrices(ports, planner, { id: standing.id, store }, NOW);
}

const cheaper = (percentOff: number, more: object = {}) => change('a', { formula: { percentOff }, ...more });

describe('a change that waits, beside what stands', () => {
  it('tells each price that becomes another, with both, in the store that is asked about', async () => {
    const told = await waiting(cheaper(1000), cheaper(2000));
    expect(told).toMatchObject({ value: { store: 'east', storeName: 'East', baskets: [] } });
    const { prices, total } = (told as { value: WaitingPrices }).value;
    expect(prices).toHaveLength(total);
    expect(total).toBeGreaterThan(0);
    for (const { before, after, percent, by } of prices) {
      expect(Number(after)).toBeLessThan(Number(before));
      expect(percent).toBeCloseTo((Number(after) / Number(before) - 1) * 100, 1);
      expect(by).toEqual(['a']);
    }
  });

  it('looks at the hour at which they first differ where only the time changes', async () => {
    const when = { from: '2027-05-01T09:00', to: '2027-05-20T20:00' };
    const later = { ...when, from: '2027-05-03T09:00' };
    const told = await waiting(cheaper(1000, { when }), cheaper(1000, { when: later }));
    const { prices } = (told as { value: WaitingPrices }).value;
    expect(new Set(prices.map(({ at }) => at))).toEqual(new Set(['2027-05-01T09:00']));
  });

  it('looks at a store that it concerns where the one that is asked about is in neither', async () => {
    const where = { stores: ['east'] };
    expect(await waiting(cheaper(1000, { where }), cheaper(2000, { where }), 'west')).toMatchObject({
      value: { store: 'east', total: expect.any(Number) },
    });
  });

  it('tells of one that is paused the change alone, and not that it would be switched on', async () => {
    const paused = { status: 'paused' } as const;
    const told = await waiting(cheaper(1000, paused), { ...cheaper(1000, paused), priority: 3 });
    expect(told).toMatchObject({ value: { total: 0, prices: [] } });
  });

  it('rings baskets where it is a deal', async () => {
    const deal = (total: string): PromotionDocument => ({
      ...change('a'),
      offer: { kind: 'mixAndMatch', items: { items: ['milk'] }, take: 2, value: { total } },
    });
    expect(await waiting(deal('20.00'), deal('15.00'))).toMatchObject({
      value: { prices: [], baskets: [{ before: '20.00', after: '15.00', words: '2 Sun milk' }] },
    });
  });

  it('is nothing to find where nothing waits, and not for a store’s people', async () => {
    const ports = inMemory(withPromotions(change('a')));
    const asked = { id: 'a', store: 'east' };
    expect(await reviewWaitingPrices(ports, planner, asked, NOW)).toMatchObject({
      failure: { kind: 'not-found' },
    });
    await savePromotion(ports, planner, { promotion: cheaper(2000), revision: 1 });
    expect(await reviewWaitingPrices(ports, person('store', ['east']), asked, NOW)).toMatchObject({
      failure: { kind: 'not-found' },
    });
    expect(await reviewWaitingPrices(ports, person('store', ['west']), asked, NOW)).toMatchObject({
      failure: { kind: 'forbidden' },
    });
  });
});
