import { describe, expect, it } from 'vitest';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import { change, type Promoted, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { PromotionDocument, WorksheetDocument } from '../../core/plan/index.ts';
import { layOutReprice, layOutWorksheet } from '../index.ts';

const PASS = { items: { node: 'sun' }, formula: { percentOff: 1000 } };
const draft = (worksheet: WorksheetDocument | undefined, said: Promoted = {}): PromotionDocument => {
  const promotion = change('sheet', { items: { items: [] }, ...said });
  return worksheet
    ? ({ ...promotion, offer: { ...promotion.offer, worksheet } } as PromotionDocument)
    : promotion;
};
const layOut = (promotion: unknown, who = person('planner'), store: string | null = 'east') =>
  layOutWorksheet(
    inMemory(withPromotions(change('other', { name: 'Other', items: { items: ['oil'] } }))),
    who,
    {
      promotion,
      store,
    },
  );

describe('laying a worksheet out', () => {
  it('gives the lines of its passes, where they are looked at, and what reduces them already', async () => {
    expect(await layOut(draft({ passes: [PASS], own: { bar: '0.80' } }))).toMatchObject({
      ok: true,
      value: {
        lookedAt: { store: 'east', storeName: 'East', at: '2027-03-01T09:00', stores: 2 },
        lines: [
          { sku: 'milk' },
          { sku: 'spray' },
          { sku: 'oil', now: 720, reducedBy: [0] },
          { sku: 'bar', place: 'chain', passes: [] },
          { sku: 'bar', place: 'zone:isles', passes: [] },
        ],
        elsewhere: [{ id: 'other', name: 'Other', items: 1 }],
        unsold: [],
      },
    });
  });

  it('works from the price lists that formulas name', async () => {
    const formula = { basis: { priceList: 'members' }, percentOff: 500 };
    const outcome = await layOut(draft({ passes: [{ ...PASS, formula }] }));
    expect(outcome).toMatchObject({
      value: { lines: [{ lists: { members: 2366 } }, { lists: { members: 933 } }, {}] },
    });
  });

  it.each<[string, unknown, string]>([
    ['no worksheet', draft(undefined), 'nothing stands here'],
    [
      'a pass over what is not there',
      draft({ passes: [{ ...PASS, items: { node: 'moon' } }] }),
      'no group of goods "moon"',
    ],
    ['a line of an unknown item', draft({ passes: [], own: { nobody: '1.00' } }), 'no item "nobody"'],
    [
      'a price with three decimals',
      draft({ passes: [], own: { bar: '1.005' } }),
      '"1.005" is no amount in EUR',
    ],
    ['a removed line of an unknown item', draft({ passes: [], removed: ['nobody'] }), 'no item "nobody"'],
    [
      'a margin of everything',
      draft({ passes: [{ ...PASS, formula: { marginOnPrice: 10_000 } }] }),
      'a margin of the whole price',
    ],
  ])('refuses %s', async (_, promotion, what) => {
    const outcome = await layOut(promotion);
    expect(outcome.ok).toBe(false);
    if (!outcome.ok && outcome.failure.kind === 'invalid')
      expect(outcome.failure.faults.map((fault) => fault.what)).toContain(what);
  });

  it('is not for a store that the person does not see', async () => {
    // To them there is no such store.
    expect(
      await layOut(draft({ passes: [PASS] }, { where: { stores: ['west'] } }), person('store', ['east'])),
    ).toMatchObject({ ok: false, failure: { faults: [{ what: 'no store "west"' }] } });
  });
});

describe('laying new regular prices out', () => {
  const worksheet = { passes: [{ items: { node: 'food' }, formula: { multiplyBy: '1.03' } }] };
  const reprice = (more: object = {}, who = person('planner')) =>
    layOutReprice(inMemory(withPromotions()), who, {
      since: '2027-05-10',
      scope: { kind: 'every' },
      worksheet,
      ...more,
    });

  it('gives a line for each price that stands, from that price', async () => {
    expect(await reprice()).toMatchObject({
      value: {
        lines: [
          { place: 'chain', regular: 100, since: null },
          { place: 'chain', regular: 120, since: '2027-06-01', stays: true },
          { place: 'zone:isles', regular: 110 },
          { place: 'store:west', regular: 90 },
        ],
      },
    });
  });

  it('leaves costs out for who does not see them', async () => {
    const blind = { ...person('planner'), costs: false };
    expect(await reprice({}, blind)).toMatchObject({ value: { lines: [{ cost: null }, {}, {}, {}] } });
  });

  it.each<[string, object, string]>([
    ['a day that is none', { since: '2027-02-30' }, '"2027-02-30" is no day'],
    [
      'a pass over what is not there',
      { worksheet: { passes: [{ ...worksheet.passes[0], items: { node: 'x' } }] } },
      'no group of goods "x"',
    ],
  ])('refuses %s', async (_, more, what) => {
    const outcome = await reprice(more);
    expect(!outcome.ok && outcome.failure).toMatchObject({ kind: 'invalid', faults: [{ what }] });
  });

  it('is for those who plan', async () => {
    expect(await reprice({}, person('viewer'))).toMatchObject({ failure: { kind: 'forbidden' } });
  });
});
