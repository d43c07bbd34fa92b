import { describe, expect, it } from 'vitest';
import { change, SMALL, withPromotions } from '../../../tests/plans/small-plan.ts';
import { parsePlan } from '../../contracts/index.ts';
import { jsonPointer, type PlanDocument, type PromotionDocument } from './index.ts';

const faultsOf = (document: PlanDocument): string[] => {
  const parsed = parsePlan(document);
  return parsed.ok ? [] : parsed.faults.map(({ path, what }) => `${jsonPointer(path)} ${what}`);
};
const promoted = (more: object): PlanDocument =>
  withPromotions({ ...change('a'), ...more } as PromotionDocument);
const withSheet = (worksheet: object): PlanDocument =>
  promoted({ offer: { ...change('a').offer, worksheet } });
const withSet = (frozen: object): PlanDocument => ({
  ...SMALL,
  itemSets: [{ ...SMALL.itemSets![0]!, frozen } as never],
});

describe('the fields that the format grew by', () => {
  it.each<[string, PlanDocument]>([
    ['a retired item', { ...SMALL, items: SMALL.items.map((item) => ({ ...item, retired: '2027-12-31' })) }],
    ['a frozen set', withSet({ on: '2027-04-14', live: { node: 'sun' } })],
    ['a badge', promoted({ badge: { default: 'Deal', pt: '' } })],
    [
      'supplier terms of a day',
      promoted({ supplier: { from: '2027-03-01', to: '2027-03-01', costs: { milk: '9.00' } } }),
    ],
    [
      'a worksheet',
      withSheet({
        passes: [{ name: '', items: { all: true }, formula: { percentOff: 0 } }],
        own: { milk: '1.00' },
        removed: ['oil'],
      }),
    ],
  ])('are taken: %s', (_, document) => {
    expect(faultsOf(document)).toEqual([]);
  });

  it.each<[PlanDocument, string]>([
    [
      { ...SMALL, items: [{ ...SMALL.items[0]!, retired: '2027-02-30' }, ...SMALL.items.slice(1)] },
      '/items/0/retired "2027-02-30" is no day of the calendar',
    ],
    [
      withSet({ on: 'spring', live: { node: 'sun' } }),
      '/itemSets/0/frozen/on "spring" is no day of the calendar',
    ],
    [
      withSet({ on: '2027-04-14', live: { node: 'moon' } }),
      '/itemSets/0/frozen/live/node no group of goods "moon"',
    ],
    [withSet({ on: '2027-04-14' }), '/itemSets/0/frozen/live "live" is missing'],
    [
      promoted({ supplier: { from: '2027-03-10', to: '2027-03-01' } }),
      '/promotions/0/supplier/to the last day 2027-03-01 is before the first, 2027-03-10',
    ],
    [
      promoted({ supplier: { to: '2027-13-01' } }),
      '/promotions/0/supplier/to "2027-13-01" is no day of the calendar',
    ],
    [
      promoted({ supplier: { to: '2027-03-01', cost: '1.005' } }),
      '/promotions/0/supplier/cost "1.005" is no amount in EUR',
    ],
    [
      promoted({ supplier: { to: '2027-03-01', costs: { nobody: '1.00' } } }),
      '/promotions/0/supplier/costs/nobody no item "nobody"',
    ],
    [
      promoted({ supplier: { to: '2027-03-01', uplift: -1 } }),
      '/promotions/0/supplier/uplift "uplift" is too small',
    ],
    [
      withSheet({ passes: [{ items: { set: 'gone' }, formula: { percentOff: 0 } }] }),
      '/promotions/0/offer/worksheet/passes/0/items/set no item set "gone"',
    ],
    [
      withSheet({
        passes: [{ items: { all: true }, formula: { percentOff: 0 }, rounding: { step: '0', mode: 'up' } }],
      }),
      '/promotions/0/offer/worksheet/passes/0/rounding/step "0" is too small',
    ],
    [
      withSheet({ passes: [{ items: { all: true } }] }),
      '/promotions/0/offer/worksheet/passes/0/formula "formula" is missing',
    ],
  ])('are refused where they make no sense (%#): %s', (document, fault) => {
    expect(faultsOf(document)).toContain(fault);
  });
});
