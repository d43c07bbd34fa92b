import { describe, expect, it } from 'vitest';
import { basketOf, basketPlan, offer, ring } from '../../../tests/plans/basket-plan.ts';
import type { OfferDocument } from '../plan/index.ts';

const ALL = { all: true } as const;
const nets = ({ lines }: ReturnType<typeof ring>) => lines.map(({ net }) => net);

/** Three of a kind for 11.00. */
const BUNDLE: OfferDocument = { kind: 'mixAndMatch', items: ALL, take: 3, value: { total: '11.00' } };
const THREE_FOR_TWO: OfferDocument = {
  kind: 'mixAndMatch',
  items: ALL,
  take: 3,
  rewarded: 1,
  pick: 'cheapest',
  value: { percentOff: 10_000 },
};
const BREAK: OfferDocument = {
  kind: 'quantityBreak',
  items: ALL,
  count: 'set',
  tiers: [
    { atLeast: 4, each: '6.40' },
    { atLeast: 8, each: '5.90' },
    { atLeast: 16, each: '5.20' },
  ],
};
const FREE: OfferDocument = {
  kind: 'freeGoods',
  items: ALL,
  count: 'set',
  minimum: 24,
  every: 12,
  free: 1,
  parts: 'whole',
};
const MENU: OfferDocument = {
  kind: 'combo',
  slots: ['sandwich', 'drink', 'fruit'].map((sku) => ({ name: sku, items: { items: [sku] }, quantity: 1 })),
  value: { total: '5.00' },
};
const LUNCH = { sandwich: '3.40', drink: '1.90', fruit: '0.90' };

describe('the worked examples of the pricing rules', () => {
  it('2: three at 4.40 for 11.00 are shared to the last cent', () => {
    const plan = basketPlan({ c: '4.40' }, [offer('b', BUNDLE)]);
    const receipt = ring(
      plan,
      basketOf([
        ['c', 1],
        ['c', 1],
        ['c', 1],
      ]),
    );
    expect(nets(receipt)).toEqual(['3.66', '3.67', '3.67']);
    expect(receipt).toMatchObject({ total: '11.00', saving: '2.20', proved: true });
  });

  it('3: the fourth is at its tag price', () => {
    const receipt = ring(basketPlan({ c: '4.40' }, [offer('b', BUNDLE)]), basketOf({ c: 4 }));
    expect(receipt).toMatchObject({ total: '15.40', saving: '2.20', proved: true });
  });

  it('4: of three the cheapest is free, and carries the reduction', () => {
    const plan = basketPlan({ a: '5.00', b: '7.00', c: '9.00' }, [offer('t', THREE_FOR_TWO)]);
    const receipt = ring(plan, basketOf({ a: 1, b: 1, c: 1 }));
    expect(receipt.total).toBe('16.00');
    expect(receipt.lines[0]).toMatchObject({
      net: '0.00',
      reductions: [{ promotion: 't', units: 1, amount: '5.00' }],
    });
  });

  it('5: units are grouped as suits the shopper', () => {
    const plan = basketPlan({ a: '5.00', c: '9.00' }, [offer('t', THREE_FOR_TWO)]);
    expect(ring(plan, basketOf({ a: 2, c: 4 })).total).toBe('32.00');
  });

  it.each([
    [6, false, '59.00'],
    [7, true, '64.00'],
  ])('%i: a quantity break over ten, beyond: %s', (_, beyond, total) => {
    const plan = basketPlan({ v: '6.90' }, [offer('q', { ...BREAK, beyond } as OfferDocument)]);
    expect(ring(plan, basketOf({ v: 10 })).total).toBe(total);
  });

  it.each([
    [23, 0],
    [24, 2],
    [48, 4],
  ])('8: of %i units %i are free', (quantity, free) => {
    const plan = basketPlan({ w: '1.00' }, [offer('f', FREE)]);
    const receipt = ring(plan, basketOf({ w: quantity }));
    expect(receipt.total).toBe(`${quantity - free}.00`);
    expect(receipt.saving).toBe(`${free}.00`);
  });

  it('9: for every two of A one of B comes on top, at zero', () => {
    const gift: OfferDocument = {
      kind: 'freeGoods',
      items: { items: ['a'] },
      count: 'set',
      every: 2,
      free: 1,
      parts: 'whole',
      gift: 'b',
    };
    const receipt = ring(basketPlan({ a: '3.00', b: '2.00' }, [offer('g', gift)]), basketOf({ a: 5 }));
    expect(receipt).toMatchObject({ total: '15.00', saving: '4.00' });
    expect(receipt.lines[1]).toEqual({
      sku: 'b',
      quantity: 2,
      regular: '2.00',
      tag: '2.00',
      net: '0.00',
      gift: true,
      reductions: [{ promotion: 'g', units: 2, amount: '4.00' }],
    });
    expect(receipt.applications).toMatchObject([{ times: 1, units: [{ line: 0, quantity: 4 }] }]);
  });

  it('10: a combo is shared over its slots', () => {
    const receipt = ring(
      basketPlan(LUNCH, [offer('m', MENU)]),
      basketOf({ sandwich: 1, drink: 1, fruit: 1 }),
    );
    expect(nets(receipt)).toEqual(['2.74', '1.53', '0.73']);
  });

  it('11: of two offers for one drink the one that saves more in all has it', () => {
    const drinks: OfferDocument = {
      kind: 'mixAndMatch',
      items: { items: ['drink'] },
      take: 2,
      value: { total: '3.00' },
    };
    const plan = basketPlan(LUNCH, [offer('m', MENU), offer('d', drinks)]);
    const receipt = ring(plan, basketOf({ sandwich: 1, drink: 2, fruit: 1 }));
    expect(receipt.total).toBe('6.90');
    expect(receipt.applications.map(({ promotion }) => promotion)).toEqual(['m']);
  });

  it('12: a reward on the tag prices beside a quantity break', () => {
    const plan = basketPlan({ x: '80.00' }, [
      offer('q', {
        kind: 'quantityBreak',
        items: ALL,
        count: 'item',
        tiers: [{ atLeast: 4, amountOffEach: '12.00' }],
      }),
      offer('r', {
        kind: 'basketReward',
        measure: 'before',
        threshold: 'subtotal',
        tiers: [{ atLeast: '0.01', percentOff: 1_500 }],
      }),
    ]);
    expect(ring(plan, basketOf({ x: 4 }))).toMatchObject({
      total: '224.00',
      saving: '96.00',
      rewards: [{ promotion: 'r', measured: '320.00', amount: '48.00' }],
    });
  });

  it('13: a reward that admits nothing beside it loses against a bundle that saves more', () => {
    const none: OfferDocument = {
      kind: 'basketReward',
      threshold: 'subtotal',
      tiers: [{ atLeast: '1.00', percentOff: 1_000 }],
      combinesWith: 'none',
    };
    const two: OfferDocument = {
      kind: 'mixAndMatch',
      items: { items: ['y'] },
      take: 2,
      value: { amountOff: '2.60' },
    };
    const plan = basketPlan({ y: '10.00', z: '2.60' }, [offer('b', two), offer('r', none)]);
    expect(ring(plan, basketOf({ y: 2, z: 1 }))).toMatchObject({ saving: '2.60', rewards: [] });
    const richer = ring(plan, basketOf({ y: 2, z: 4 }));
    expect(richer).toMatchObject({ saving: '3.04', applications: [], rewards: [{ promotion: 'r' }] });
  });

  it('14: units are bundled by falling price, whatever an amount off could take otherwise', () => {
    const two = offer('b', { kind: 'mixAndMatch', items: ALL, take: 2, value: { amountOff: '5.00' } });
    const plan = basketPlan({ six: '6.00', four: '4.00', one: '1.00' }, [two]);
    const receipt = ring(plan, basketOf({ one: 2, four: 1, six: 1 }));
    expect(receipt).toMatchObject({ total: '5.00', saving: '7.00', proved: true });
    // Each bundle's reduction is shared over its own units.
    expect(nets(receipt)).toEqual(['0.00', '2.00', '3.00']);
  });
});
