import { describe, expect, it } from 'vitest';
import { basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { previewDeal, type TrialLines } from '../index.ts';

const GOODS = {
  tea: { cost: '2.00', prices: [{ price: '4.00' }] },
  cup: { cost: '4.00', prices: [{ price: '9.00' }] },
};
const TEA = { items: { items: ['tea'] } };
const THREE: PromotionDocument['offer'] = { kind: 'mixAndMatch', ...TEA, take: 3, value: { total: '10.00' } };
const CUPS = offer('cups', {
  kind: 'mixAndMatch',
  items: { items: ['cup'] },
  take: 2,
  value: { percentOff: 5_000 },
});

const preview = (
  said: unknown,
  {
    lines = null,
    who = person('planner'),
  }: { lines?: TrialLines | null; who?: ReturnType<typeof person> } = {},
) => previewDeal(inMemory(basketPlan(GOODS, [CUPS])), who, { promotion: said, store: null, lines });

const draft = (said: PromotionDocument['offer']) =>
  offer('draft', said, { status: 'draft', name: 'Tea time' });

describe('the preview of a deal', () => {
  it('says its sentence, its steps with money as money, and a receipt that it makes cheaper', async () => {
    const seen = await preview(draft(THREE));
    expect(seen).toMatchObject({
      ok: true,
      value: {
        sentence: expect.stringContaining('3 of tea for 10.00 EUR'),
        stores: 1,
        lookedAt: { store: 'shop', storeName: 'Shop' },
        items: [1],
        steps: [
          {
            before: '12.00',
            after: '10.00',
            cost: '6.00',
            marginBefore: 5_000,
            marginAfter: 4_000,
            breakEven: 150,
          },
        ],
        names: { tea: 'tea' },
        trial: {
          lines: [{ sku: 'tea', quantity: '3' }],
          without: '12.00',
          basket: { receipt: { total: '10.00' } },
        },
      },
    });
  });

  it('rings the lines that are asked for, with everything else that runs', async () => {
    const lines = [
      { sku: 'tea', quantity: '3' },
      { sku: 'cup', quantity: '2' },
    ];
    const seen = await preview(draft(THREE), { lines });
    expect(seen).toMatchObject({
      value: {
        trial: {
          without: '21.00',
          basket: { receipt: { total: '19.00' }, promotions: { draft: { name: 'Tea time' }, cups: {} } },
        },
      },
    });
  });

  it.each<[string, unknown, TrialLines | null, string]>([
    [
      'a price change',
      draft({ kind: 'priceChange', ...TEA, formula: { percentOff: 500 } }),
      null,
      'priceChange',
    ],
    [
      'a value of the wrong kind',
      draft({ ...THREE, value: { amountOffEach: '1.00' } } as never),
      null,
      'amountOffEach',
    ],
    ['an item that nobody knows', draft({ ...THREE, items: { items: ['gone'] } } as never), null, 'gone'],
    ['a combo without a slot', draft({ kind: 'combo', slots: [], value: { total: '5.00' } }), null, 'slots'],
    [
      'a picture that is no name of one',
      draft({
        kind: 'combo',
        slots: [{ name: 'a', ...TEA, quantity: 1 }],
        value: { total: '3.00' },
        picture: '../x',
      }),
      null,
      'picture',
    ],
    ['half a piece', draft(THREE), [{ sku: 'tea', quantity: '0.5' }], 'quantity'],
    ['a million pieces', draft(THREE), [{ sku: 'tea', quantity: '1000000' }], 'quantity'],
  ])('refuses %s, and says where', async (_, said, lines, where) => {
    const seen = await preview(said, { lines });
    expect(seen).toMatchObject({ ok: false, failure: { kind: 'invalid' } });
    expect(JSON.stringify(seen)).toContain(where);
  });

  it('is not for people of other stores', async () => {
    expect(await preview(draft(THREE), { who: person('store', ['other']) })).toMatchObject({
      failure: { kind: 'forbidden' },
    });
  });
});
