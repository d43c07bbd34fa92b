import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PlanDocument, PromotionDocument } from '../../core/plan/index.ts';
import {
  calendarFile,
  listChoices,
  listPromotions,
  lookAtCalendar,
  openPromotion,
  savePromotion,
} from '../plan/index.ts';
import { seenBy } from './sight.ts';

const TERMS = { to: '2027-07-01', cost: '1.00' };
const PLAN: PlanDocument = {
  ...withPromotions(
    change('both', { notes: 'between us', supplier: TERMS }),
    change('east-only', { where: { stores: ['east'] } }),
    change('west-only', { where: { stores: ['west'] } }),
    change('by-group', { where: { group: 'far' } }),
    change('in-places', {
      where: { stores: ['east'] },
      linePricesIn: [
        { store: 'west', prices: { milk: '7.77' } },
        { zone: 'isles', prices: { milk: '7.77' } },
        { zone: 'main', prices: { milk: '8.88' } },
      ],
    }),
  ),
  storeGroups: [
    { id: 'far', name: 'Far away', rule: { stores: ['west'] } },
    { id: 'all', name: 'All of them', rule: { all: true } },
  ],
};
const atEast = person('store', ['east']);
const nowhere = person('store', []);
const blind = { ...person('planner'), costs: false };

describe('a person of one store', () => {
  it('is given a plan in which there are no other stores, and nothing of them', async () => {
    const { document, compiled } = await seenBy(inMemory(PLAN).book, atEast);
    expect(document.stores.map(({ id }) => id)).toEqual(['east']);
    expect(compiled.plan.stores.map(({ id }) => id)).toEqual(['east']);
    expect(document.promotions.map(({ id }) => id)).toEqual(['both', 'east-only', 'in-places']);
    expect(JSON.stringify(document.promotions)).toContain('8.88');
    expect(document.storeGroups).toEqual([{ id: 'all', name: 'All of them', rule: { stores: ['east'] } }]);
    expect(JSON.stringify(document)).not.toMatch(/west|isles|7\.77|between us|supplier/i);
    expect(document.items.every(({ prices }) => prices.every(({ store }) => store !== 'west'))).toBe(true);
  });
  it('is not told how a price comes from the cost, and is told the price', async () => {
    const onCost = {
      ...change('on-cost'),
      offer: { kind: 'priceChange', items: { all: true }, formula: { addPercent: 1500 } },
    } as PromotionDocument;
    const ports = inMemory(withPromotions(onCost));
    const { document, compiled } = await seenBy(ports.book, atEast);
    expect(JSON.stringify([document, await listPromotions(ports, atEast)])).not.toMatch(/addPercent|15 %/);
    expect(compiled.plan.promotions[0]!.offer).toMatchObject({ formula: { kind: 'addPercent' } });
  });
  it('finds no promotion of another store anywhere, also where a group of others is named', async () => {
    const ports = inMemory(PLAN);
    expect((await listPromotions(ports, atEast)).map(({ id }) => id)).toEqual([
      'both',
      'east-only',
      'in-places',
    ]);
    expect(await openPromotion(ports, atEast, 'west-only')).toMatchObject({
      ok: false,
      failure: { kind: 'not-found' },
    });
    expect(JSON.stringify(await lookAtCalendar(ports, atEast, 'group'))).not.toMatch(/west|by-group/i);
    expect(await calendarFile(ports, atEast, null)).not.toMatch(/west|by-group/i);
    expect(JSON.stringify(await listChoices(ports, atEast))).not.toMatch(/west/i);
  });
  it('who has none sees none', async () => {
    const ports = inMemory(PLAN);
    expect((await seenBy(ports.book, nowhere)).document.stores).toEqual([]);
    expect(await listPromotions(ports, nowhere)).toEqual([]);
    expect((await listChoices(ports, nowhere)).stores).toEqual([]);
  });
  it('is given the same plan again as long as nothing changes', async () => {
    const { book } = inMemory(PLAN);
    expect(await seenBy(book, atEast)).toBe(await seenBy(book, { ...atEast }));
  });
});

describe('a person who does not see costs', () => {
  it('is given a document without any, and the prices that come from them all the same', async () => {
    const { book } = inMemory(PLAN);
    const { document, compiled } = await seenBy(book, blind);
    expect(SMALL.items.some(({ cost }) => cost !== undefined)).toBe(true);
    expect(document.items.every(({ cost }) => cost === undefined)).toBe(true);
    expect(JSON.stringify(document)).not.toContain('supplier');
    expect(compiled).toBe((await book.current()).compiled);
  });
  it('does not take the terms away that they are not shown, by saving', async () => {
    const ports = inMemory(PLAN);
    const opened = await openPromotion(ports, blind, 'both');
    expect(opened.ok && opened.value.promotion.supplier).toBeUndefined();
    const promotion = { ...(opened.ok ? opened.value.promotion : change('both')), name: 'Renamed' };
    expect(await savePromotion(ports, blind, { promotion, revision: 1 })).toMatchObject({ ok: true });
    expect(ports.saved.find((one) => one.promotion.id === 'both')!.promotion).toMatchObject({
      name: 'Renamed',
      supplier: TERMS,
    });
  });
});
