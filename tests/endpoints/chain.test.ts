import { afterAll, describe, expect, it } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { change } from '../plans/small-plan.ts';

const NO_RULES = { notEndingOn: [], longest: null, secondFrom: null, shutDays: [] };
const SAID = { name: 'Quillmere', priceChanges: 'priority', baskets: 'best', marginFloor: null };
/** Beyond what other tests plan for. */
const when = { from: '2034-03-06T00:00', to: '2034-03-11T00:00' };
const AT = '2034-03-08T12:00';

/** The version that stands, as whoever names another is told. */
const planVersion = async (): Promise<number> =>
  (await (await as('basil')).send('PUT', '/api/chain', { ...SAID, planVersion: 1 })).body.current.planVersion;
const putChain = async (said: object) =>
  (await as('basil')).send('PUT', '/api/chain', { ...SAID, planVersion: await planVersion(), ...said });
const priceOf = async (item: string) =>
  (await (await as('ines')).get(`/api/price?store=s001&item=${item}&at=${AT}`)).body.price;

afterAll(async () => {
  await putChain(SAID);
  await (await as('basil')).send('PUT', '/api/house-rules', NO_RULES);
});

describe('the settings of the chain', () => {
  it('say what another policy would do, and price by it once they are kept', async () => {
    const item = 'Q100042';
    const cut = (id: string, priority: number, setTo: string) =>
      saveApproved({
        ...change(id, { when, priority, alone: true }),
        offer: { kind: 'priceChange', items: { items: [item] }, formula: { setTo } },
      } as never);
    await cut('chain-first', 1, '0.60');
    await cut('chain-lower', 2, '0.40');
    expect(await priceOf(item)).toBe('0.60');
    const dry = await putChain({ priceChanges: 'lowest', dry: true });
    expect(dry).toMatchObject({ status: 200, body: { effect: { prices: { up: 0 } } } });
    expect(await priceOf(item)).toBe('0.60');
    expect(await putChain({ priceChanges: 'lowest' })).toMatchObject({
      status: 200,
      body: { priceChanges: 'lowest' },
    });
    expect(await priceOf(item)).toBe('0.40');
    expect((await (await as('basil')).get('/api/plan')).body.policy).toMatchObject({
      priceChanges: 'lowest',
    });
    await putChain(SAID);
    expect(await priceOf(item)).toBe('0.60');
  });

  it('are not kept over a plan that changed meanwhile, nor where they make no sense', async () => {
    expect(await putChain({ planVersion: 1 })).toMatchObject({
      status: 412,
      body: { current: { planVersion: expect.any(Number) } },
    });
    for (const wrong of [
      { priceChanges: 'dearest' },
      { baskets: 'worst' },
      { marginFloor: 10_001 },
      { marginFloor: 12.5 },
      { name: '' },
      { currency: 'USD' },
    ])
      expect([wrong, (await putChain(wrong)).status]).toEqual([wrong, 422]);
  });
});

describe('rules of the house', () => {
  const put = async (said: object) =>
    (await as('basil')).send('PUT', '/api/house-rules', { ...NO_RULES, ...said });

  it('keep what is against them from being submitted, in words at its part', async () => {
    expect((await put({ notEndingOn: ['sun'], longest: 14 })).status).toBe(200);
    const ines = await as('ines');
    const promotion = {
      ...change('house-draft', { when: { from: '2034-03-01T09:00', to: '2034-04-02T20:00' } }),
      status: 'draft',
      offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 1_000 } },
    };
    const made = await ines.send('POST', '/api/promotions', { promotion });
    expect(made.status).toBe(201);
    const submitted = await ines.send('POST', '/api/promotions/house-draft/step', {
      step: 'submit',
      revision: 1,
    });
    expect(submitted).toMatchObject({
      status: 422,
      body: {
        faults: [
          { path: '/when/to', message: expect.stringContaining('lasts 33 days') },
          { path: '/when/to', message: expect.stringContaining('ends on a Sunday') },
        ],
      },
    });
    await put({});
    expect(
      (await ines.send('POST', '/api/promotions/house-draft/step', { step: 'submit', revision: 1 })).status,
    ).toBe(200);
  });

  it('that two change from the same beginning are both kept, but for what both changed', async () => {
    const was = NO_RULES;
    expect((await put({ longest: 30, was })).status).toBe(200);
    expect(await put({ notEndingOn: ['sun'], was })).toMatchObject({
      ...{ status: 200, body: { longest: 30, notEndingOn: ['sun'] } },
    });
    expect(await put({ longest: 14, was })).toMatchObject({
      ...{ status: 409, body: { current: { clashing: ['longest'], standing: { longest: 30 } } } },
    });
    const words = { payments: [], deliveries: [], regions: [], linkTags: [] };
    const basil = await as('basil');
    const keep = (said: object) => basil.send('PUT', '/api/chain-words', { ...words, ...said });
    await keep({});
    expect((await keep({ payments: ['card'], was: words })).status).toBe(200);
    expect((await keep({ regions: ['north'], was: words })).body).toEqual({
      ...{ ...words, payments: ['card'], regions: ['north'] },
    });
    expect((await keep({ payments: ['cash'], was: words })).status).toBe(409);
    await keep({});
    await put({});
  });

  it.each([
    [{ notEndingOn: ['someday'] }],
    [{ notEndingOn: ['sun', 'sun'] }],
    [{ longest: 0 }],
    [{ secondFrom: 10_001 }],
    [{ shutDays: [{ day: '2034-02-30', name: 'No day' }] }],
    [{ shutDays: [{ day: '2034-02-03', name: '' }] }],
    [
      {
        shutDays: [
          { day: '2034-02-03', name: 'One' },
          { day: '2034-02-03', name: 'Two' },
        ],
      },
    ],
    [{ more: true }],
  ])('%j is refused', async (said) => {
    expect((await put(said)).status).toBe(422);
  });
});
