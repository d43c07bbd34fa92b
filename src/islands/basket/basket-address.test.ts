import { describe, expect, it } from 'vitest';
import {
  basketAddress,
  basketDocument,
  checkPath,
  misread,
  NO_EXTRAS,
  typedBasketOf,
} from './basket-address.ts';

const LENS = { where: 's001', at: '2027-03-06T10:00', shopper: 'members' };
const LINES = [
  { sku: 'tea', quantity: '3' },
  { sku: 'nuts', quantity: '0.25' },
];
const TYPED = {
  lines: LINES,
  extras: { ...NO_EXTRAS, codes: 'TEN, TWENTY', payment: 'card', charge: '4.90', pastOrders: '2' },
};

describe('a basket in an address', () => {
  it('is the same basket when it is read again', () => {
    expect(typedBasketOf(new URL(basketAddress(LENS, TYPED), 'http://x').search)).toEqual(TYPED);
  });

  it('keeps by whose price file it is rung, and rings it as of that terminal', () => {
    const byTill = { ...TYPED, till: 's001-3' };
    expect(typedBasketOf(new URL(basketAddress(LENS, byTill), 'http://x').search)).toEqual(byTill);
    expect(basketDocument(byTill, 's001', null)).toMatchObject({ terminal: 's001-3' });
  });

  it('says nothing of what was not typed, nor where it is empty', () => {
    const bare = { where: null, at: null, shopper: null };
    expect(basketAddress(bare, { lines: [], extras: NO_EXTRAS })).toBe('/check/basket');
    expect(basketAddress(bare, { lines: [], extras: { ...NO_EXTRAS, codes: '  ' } })).toBe('/check/basket');
  });
});

describe('a basket in the open format', () => {
  it('has all that was typed', () => {
    expect(basketDocument(TYPED, 's001', 'members')).toEqual({
      store: 's001',
      shopper: { groups: ['members'], pastOrders: 2 },
      codes: ['TEN', 'TWENTY'],
      payment: 'card',
      delivery: { way: 'delivery', charge: '4.90' },
      lines: LINES,
    });
  });

  it('is a guest’s where nothing is known of the shopper', () => {
    expect(basketDocument({ lines: LINES, extras: NO_EXTRAS }, 's001', null)).toEqual({
      store: 's001',
      lines: LINES,
    });
  });

  it.each([
    ['4,90', '4.90'],
    ['4.90 EUR', '4.90'],
    ['1.234,50', '1234.50'],
  ])('reads a charge of “%s” as people write it', (charge, wanted) => {
    const typed = { lines: [], extras: { ...NO_EXTRAS, charge, lifetimeSpend: charge } };
    expect(basketDocument(typed, 's001', null)).toMatchObject({
      delivery: { charge: wanted },
      shopper: { lifetimeSpend: wanted },
    });
    expect(misread(typed.extras)).toEqual([]);
  });

  it.each(['four', '-1', '1,2.3'])(
    'leaves out a charge of “%s”, which is none, and points it out',
    (charge) => {
      expect(misread({ ...NO_EXTRAS, charge, pastOrders: '1.5' })).toEqual(['charge', 'pastOrders']);
      const { delivery } = basketDocument({ lines: [], extras: { ...NO_EXTRAS, charge } }, 's001', null);
      expect(delivery).toBeUndefined();
    },
  );

  it('kept as a check leads back to itself', () => {
    const basket = basketDocument(TYPED, 's001', 'members');
    const result = { planVersion: 1, at: LENS.at, total: '1.00', holds: true, problems: [] };
    const url = new URL(checkPath({ basket, result }), 'http://x');
    expect(basketDocument(typedBasketOf(url.search), 's001', url.searchParams.get('for'))).toEqual(basket);
  });
});
