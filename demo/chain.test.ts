import { describe, expect, it } from 'vitest';
import { parsePlan } from '../src/contracts/index.ts';
import { parseMoment } from '../src/core/calendar/index.ts';
import { book, compile, NO_PRICE } from '../src/core/price-book/index.ts';
import { chain, DEMO, LARGE } from './chain.ts';

const TODAY = '2026-11-25';
const quillmere = chain(DEMO, TODAY);

describe('the demo chain', () => {
  it('has the size that it is said to have', () => {
    expect({
      stores: quillmere.stores.length,
      zones: quillmere.zones?.length,
      clocks: new Set(quillmere.stores.map(({ timeZone }) => timeZone)).size,
      groups: quillmere.storeGroups?.length,
      terminals: quillmere.terminals?.length,
      items: quillmere.items.length,
      lists: quillmere.priceLists?.length,
      changes: quillmere.promotions.filter(({ offer }) => offer.kind === 'priceChange').length,
      deals: quillmere.promotions.filter(({ offer }) => offer.kind !== 'priceChange').length,
    }).toEqual({
      stores: 48,
      zones: 4,
      clocks: 2,
      groups: 6,
      terminals: 130,
      items: 4000,
      lists: 4,
      changes: 60,
      deals: 44,
    });
  });

  it('is the same every time for one seed and day, and another for another', () => {
    expect(chain(DEMO, TODAY)).toEqual(quillmere);
    expect(chain(DEMO, TODAY, 8)).not.toEqual(quillmere);
  });

  it('has no faults', () => {
    expect(parsePlan(quillmere)).toMatchObject({ ok: true });
  });

  it('has promotions past, present and to come, drafts, and an open end', () => {
    const now = `${TODAY}T12:00`;
    const approved = quillmere.promotions.filter(({ status }) => status === 'approved');
    expect(approved.some(({ when }) => when.to !== undefined && when.to < now)).toBe(true);
    expect(approved.some(({ when }) => when.from <= now && (when.to ?? '9') > now)).toBe(true);
    expect(approved.some(({ when }) => when.from > now)).toBe(true);
    expect(approved.some(({ when }) => when.to === undefined)).toBe(true);
    expect(quillmere.promotions.some(({ status }) => status === 'draft')).toBe(true);
  });

  it('sells most of what it has in every store, at prices above zero', () => {
    const parsed = parsePlan(quillmere);
    if (!parsed.ok) throw new Error('faults');
    const compiled = compile(parsed.plan);
    const stores = [...compiled.stores.values()];
    const at = parseMoment(`${TODAY}T12:00`, compiled.clockOf(stores[0]!))!;
    const { prices } = book(
      compiled,
      at,
      stores.map(({ id }) => id),
    );
    stores.forEach(({ id }, row) => {
      const here = prices.subarray(row * 4000, (row + 1) * 4000).filter((price) => price !== NO_PRICE);
      expect(here.length, id).toBeGreaterThan(2000);
      expect(
        here.every((price) => price > 0),
        id,
      ).toBe(true);
    });
  });

  it('names nothing twice: variants of one parent differ', () => {
    const names = quillmere.items
      .filter(({ prices }) => prices.length > 0)
      .map(({ name, sku }) => `${name} ${sku}`);
    expect(new Set(names).size).toBe(names.length);
  });
});

it('stores have the price zone of where they are: the coast, the isles, a city, or inland', () => {
  const zones = new Map(quillmere.zones!.map(({ id, name }) => [id, name]));
  for (const { id, region, zone, tags } of quillmere.stores) {
    const inCity = tags?.includes('city') ? 'City prices' : 'Inland prices';
    const wanted = region === 'Isles' || region === 'Coast' ? `${region} prices` : inCity;
    expect(zones.get(zone!), id).toBe(wanted);
  }
  expect(new Set(quillmere.stores.map(({ zone }) => zone)).size).toBe(4);
});

it('the large chain comes from the same generator', () => {
  expect(LARGE).toMatchObject({ stores: 1000, zones: 8, items: 50_000, priceChanges: 1000, terminals: 3000 });
});
