import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import { chain } from '../../demo/chain.ts';
import { basketSchema, planSchema, shape } from '../../src/contracts/index.ts';
import { documentSchema } from '../../src/contracts/json-schema.ts';
import { change, SMALL, withPromotions } from '../plans/small-plan.ts';

const shipped = JSON.parse(readFileSync('docs/plan.schema.json', 'utf8'));
const validate = new Ajv2020({ strict: false }).compile(shipped);
const offered = (offer: unknown) => withPromotions({ ...change('d'), offer: offer as never });

describe('the shipped JSON Schema of the plan', () => {
  it('is the one that the application’s own schema makes: `npm run schema`', () => {
    expect(shipped).toEqual(JSON.parse(JSON.stringify(documentSchema('plan'))));
  });

  it.each<[string, unknown]>([
    ['a small plan', withPromotions(change('a'), change('b', { linePrices: { milk: '1.00' } }))],
    [
      'the demo chain',
      chain({ stores: 9, zones: 4, terminals: 12, items: 200, priceChanges: 60 }, '2027-04-14'),
    ],
    [
      'a combo',
      offered({
        kind: 'combo',
        slots: [{ name: 'a', items: { all: true }, quantity: 1 }],
        value: { total: '5.00' },
      }),
    ],
    [
      'a basket reward',
      offered({ kind: 'basketReward', threshold: 'units', tiers: [{ atLeast: 3, percentOff: 500 }] }),
    ],
  ])('takes %s', (_, document) => {
    expect(validate(document), JSON.stringify(validate.errors?.slice(0, 3))).toBe(true);
  });

  it.each<[string, unknown]>([
    ['no promotions', { ...SMALL, promotions: undefined }],
    ['an unknown key', { ...SMALL, colour: 'red' }],
    [
      'money as a number',
      { ...SMALL, items: [{ sku: 'a', name: 'A', node: 'sun', prices: [{ price: 1.5 }] }] },
    ],
    ['a percentage with a fraction', withPromotions(change('c', { formula: { percentOff: 12.5 } }))],
    [
      'two formulas in one',
      offered({ kind: 'priceChange', items: { all: true }, formula: { percentOff: 1, setTo: '1.00' } }),
    ],
    [
      'two leaves in one rule',
      offered({ kind: 'priceChange', items: { node: 'sun', tag: 'new' }, formula: { percentOff: 1 } }),
    ],
    ['a status that is none', withPromotions({ ...change('c'), status: 'maybe' as never })],
    ['an offer of no kind', offered({ kind: 'lottery' })],
  ])('refuses %s, as the application does', (_, document) => {
    const raw = JSON.parse(JSON.stringify(document));
    expect(validate(raw)).toBe(false);
    expect(shape(planSchema, raw).ok).toBe(false);
  });
});

describe('the schemas of a promotion and of a basket', () => {
  const compiled = (name: 'promotion' | 'basket') =>
    new Ajv2020({ strict: false }).compile(JSON.parse(JSON.stringify(documentSchema(name))));

  it('take and refuse what the application does', () => {
    const promotion = compiled('promotion');
    expect(promotion(change('a', { linePrices: { milk: '1.00' } }))).toBe(true);
    expect(promotion({ ...change('a'), offer: { kind: 'lottery' } })).toBe(false);
    const basket = compiled('basket');
    const right = {
      store: 'east',
      at: '2027-04-14T10:00',
      lines: [{ sku: 'milk', quantity: 2 }],
      usesSoFar: { a: 1 },
    };
    const wrong = { ...right, usesSoFar: { a: 'many' } };
    expect([right, wrong].map((one) => [basket(one), shape(basketSchema, one).ok])).toEqual([
      [true, true],
      [false, false],
    ]);
  });
});
