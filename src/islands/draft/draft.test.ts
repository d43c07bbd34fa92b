import { describe, expect, it } from 'vitest';
import type { LensView } from '../../contracts/view/index.ts';
import { kindOf } from '../../core/plan/index.ts';
import { DEAL_KINDS, type DealKind } from '../../ui/words/index.ts';
import { faultUnder, otherFaults } from '../sentence/faults.ts';
import { basisPointsOf, numberOf } from '../sentence/typed-numbers.ts';
import { asWorksheet, idFor, newDeal, newDraft, wholeOf, withCosts, withSheetPrices } from './draft.ts';

const view = (lens: Partial<LensView['lens']>) =>
  ({ at: '2027-02-27T14:30', lens: { where: null, at: null, shopper: null, ...lens } }) as LensView;

describe('a new draft', () => {
  it('runs from tomorrow at nine for a week, for everyone, everywhere', () => {
    const draft = newDraft(view({}), 'x');
    expect(draft).toMatchObject({
      status: 'draft',
      when: { from: '2027-02-28T09:00', to: '2027-03-06T20:00' },
    });
    expect(draft).not.toHaveProperty('where');
    expect(draft).not.toHaveProperty('who');
  });

  it('begins where the lens looks, for whom it looks', () => {
    expect(newDraft(view({ where: 'group:city', shopper: 'members' }), 'x')).toMatchObject({
      where: { group: 'city' },
      who: { groups: ['members'] },
    });
    expect(newDraft(view({ where: 's001' }), 'x')).toMatchObject({ where: { stores: ['s001'] } });
  });

  it('is no promotion before its goods are chosen', () => {
    const draft = newDraft(view({}), 'x');
    expect(wholeOf(draft)).toBeNull();
    expect(wholeOf({ ...draft, offer: { ...draft.offer, items: { node: 'sun' } } })?.offer).toMatchObject({
      items: { node: 'sun' },
    });
  });

  it('as a worksheet has what it said so far as its first pass, and the prices that the sheet comes to', () => {
    const chosen = newDraft(view({}), 'x');
    const sheet = asWorksheet({ ...chosen, offer: { ...chosen.offer, items: { node: 'sun' } } });
    expect(sheet.offer.worksheet).toEqual({
      passes: [{ items: { node: 'sun' }, formula: { percentOff: 1000 } }],
    });
    expect(wholeOf(sheet)).toBeNull();
    const outcome = {
      items: ['milk'],
      linePrices: { milk: '21.20' },
      linePricesIn: [{ zone: 'isles', prices: { milk: '22.20' } }],
      rows: [],
    };
    const priced = withSheetPrices(sheet, outcome);
    expect(wholeOf(priced)?.offer).toMatchObject({
      items: { items: ['milk'] },
      linePrices: { milk: '21.20' },
      linePricesIn: [{ zone: 'isles', prices: { milk: '22.20' } }],
    });
    expect(withSheetPrices(priced, outcome)).toBe(priced);
    const { linePrices: _, ...gone } = outcome;
    expect(withSheetPrices(priced, { ...gone, items: [] })?.offer).not.toHaveProperty('linePrices');
  });

  it('begins supplier’s terms with the first cost that is typed, and keeps what they say beside it', () => {
    const first = withCosts(newDraft(view({}), 'x'), { milk: '11.00' });
    expect(first.supplier).toEqual({ from: '2027-02-28', to: '2027-03-06', costs: { milk: '11.00' } });
    const noted = { ...first, supplier: { ...first.supplier!, supplier: 'Orsolin', uplift: 8000 } };
    expect(withCosts(noted, {}).supplier).toEqual({
      from: '2027-02-28',
      to: '2027-03-06',
      supplier: 'Orsolin',
      uplift: 8000,
    });
  });

  it.each([
    ['Sun care, the long weekend!', 'sun-care-the-long-weekend-abc123'],
    ['Crème brûlée', 'creme-brulee-abc123'],
    ['  ', 'promotion-abc123'],
  ])('named "%s" gets the id %s', (name, id) => {
    expect(idFor(name, 'abc123')).toBe(id);
  });
});

describe('a new deal', () => {
  const kinds = (Object.keys(DEAL_KINDS) as DealKind[]).filter((kind) => kind !== 'priceChange');
  it.each(kinds)('of the kind %s is one, and whole once its goods are chosen', (kind) => {
    const draft = newDeal(view({}), kind);
    expect(kindOf(draft.offer)).toBe(kind);
    const overEverything = kind === 'basketReward' || kind === 'deliveryReward';
    expect(wholeOf(draft) !== null).toBe(overEverything);
    const chosen = JSON.parse(JSON.stringify(draft).replaceAll('{"items":[]}', '{"node":"sun"}'));
    expect(wholeOf(chosen)).toEqual(chosen);
  });
});

describe('what is typed', () => {
  it.each([
    ['15', 1500],
    ['12.5', 1250],
    ['12,25', 1225],
    [' 7 ', 700],
    ['', null],
    ['1.234', null],
    ['-5', null],
    ['5 %', null],
  ])('"%s" is %s basis points', (text, wanted) => {
    expect(basisPointsOf(text)).toBe(wanted);
  });

  it.each([
    ['2.50', '2.50'],
    ['2,5', '2.5'],
    ['3', '3'],
    ['.5', null],
    ['1e3', null],
  ])('"%s" is the number %s', (text, wanted) => {
    expect(numberOf(text)).toBe(wanted);
  });
});

describe('what the server says against a draft', () => {
  const faults = [
    { path: '/when/to', message: 'too early' },
    { path: '/offer/formula/percentOff', message: 'too much' },
    { path: '/whence', message: 'unknown' },
  ];
  it('stands at the part that it is about', () => {
    expect(faultUnder(faults, '/when')).toBe('too early');
    expect(faultUnder(faults, '/offer/formula')).toBe('too much');
    expect(faultUnder(faults, '/where')).toBeNull();
    expect(otherFaults(faults, false)).toEqual([faults[2]]);
  });

  it('stands at the parts of a deal as well, whatever they are called', () => {
    const against = [
      { path: '/offer/slots/1/items', message: 'nothing there' },
      { path: '/offer', message: 'no price' },
    ];
    expect(faultUnder(against, '/offer/slots/1')).toBe('nothing there');
    expect(faultUnder(against, '/offer/slots/0')).toBeNull();
    expect(otherFaults(against, true)).toEqual([against[1]]);
  });
});
