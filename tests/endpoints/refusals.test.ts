import { beforeAll, describe, expect, it } from 'vitest';
import { as, type Client, nobody } from '../application/client.ts';
import type { DemoName } from '../application/running.ts';
import { change } from '../plans/small-plan.ts';

const DEMO_CHANGE = {
  ...change('refused'),
  where: { all: true },
  offer: { ...change('x').offer, items: { node: 'sun-care' } },
};
const BASKET = {
  store: 's001',
  at: '2027-01-01T09:00',
  lines: [{ sku: 'Q100001', quantity: 1 }],
};
const DEMO_DEAL = {
  ...change('refused-deal'),
  where: { all: true },
  offer: { kind: 'mixAndMatch', items: { node: 'teas' }, take: 3, value: { total: '5.00' } },
};
const { at: _, ...UNTIMED } = BASKET;
const CHECK = { name: 'x', basket: UNTIMED, moment: { next: 'sat', time: '10:00' }, atMost: '30.00' };
const body = (promotion: unknown) => ({ promotion });

type Call = ['GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE', string, unknown?];
const ask = (client: Client, [method, path, sent]: Call) =>
  method === 'GET' ? client.get(path) : client.send(method, path, sent ?? {});

let people: Record<DemoName, Client>;
beforeAll(async () => {
  const names = ['ines', 'rufus', 'odile', 'tove', 'basil'] as const;
  people = Object.fromEntries(
    await Promise.all(names.map(async (name) => [name, await as(name)])),
  ) as typeof people;
});

describe('nobody who is not signed in', () => {
  it.each<Call>([
    ['GET', '/api/choices'],
    ['GET', '/api/promotions'],
    ['GET', '/api/promotions/face-week'],
    ['GET', '/api/price?store=s001&item=Q103453&at=2027-01-01T09:00'],
    ['GET', '/api/price/across?item=Q103453&at=2027-01-01T09:00'],
    ['GET', '/api/items?q=sun'],
    ['GET', '/api/send/review'],
    ['GET', '/api/send/store-prices?store=s001'],
    ['GET', '/api/send/terminals'],
    ['GET', '/api/plan'],
    ['POST', '/api/promotions', body(DEMO_CHANGE)],
    ['PUT', '/api/promotions/face-week', { ...body(DEMO_CHANGE), revision: 1 }],
    ['PATCH', '/api/promotions/face-week', { status: 'paused', revision: 1 }],
    ['POST', '/api/promotions/preview', body(DEMO_CHANGE)],
    ['POST', '/api/send', { planVersion: 1 }],
    ['PUT', '/api/plan', {}],
    ['GET', '/api/stockroom/items'],
    ['POST', '/api/stockroom/items', { edits: [], drops: [] }],
    ['PUT', '/api/stockroom/itemSets/summer', { entry: {}, was: null }],
    ['GET', '/api/stockroom/items/file?kind=csv'],
    ['POST', '/api/stockroom/items/file', 'sku;name'],
    ['POST', '/api/selection', { of: 'items', rule: { all: true } }],
    ['POST', '/api/selection/items', { of: 'items', rule: { all: true } }],
    ['POST', '/api/items', { codes: ['1'] }],
    ['POST', '/api/promotions/worksheet', body(DEMO_CHANGE)],
    ['POST', '/api/promotions/many', { ids: ['face-week'], action: 'pause', store: 's001' }],
    ['GET', '/api/promotions/calendar?by=group'],
    ['GET', '/api/promotions/touching?code=Q103453'],
    ['GET', '/api/promotions.ics'],
    ['GET', '/api/drafts'],
    ['PUT', '/api/drafts/new-1', { draft: {} }],
    ['GET', '/api/templates'],
    ['POST', '/api/templates', { name: 'x', promotion: {} }],
    ['POST', '/api/files/write', {}],
    ['POST', '/api/files/sheet-lines', 'sku;price'],
    ['POST', '/api/basket', BASKET],
    ['POST', '/api/promotions/preview-deal', body(DEMO_DEAL)],
    ['GET', '/api/basket-checks'],
    ['POST', '/api/basket-checks', CHECK],
    ['DELETE', '/api/basket-checks/1'],
    ['POST', '/api/pictures', 'bytes'],
    ['GET', '/api/pictures/x'],
  ])('may %s %s', async (...call) => {
    expect(await ask(nobody(), call)).toMatchObject({ status: 401, body: { detail: 'Sign in first.' } });
  });

  it.each([
    '/',
    '/today',
    '/plan',
    '/plan/new',
    '/plan/begin',
    '/plan/calendar',
    '/plan/face-week',
    '/check',
    '/check/basket',
    '/send',
    '/stockroom',
    '/stockroom/items',
    '/stockroom/files',
    '/stockroom/reprice',
    '/stockroom/set/summer',
    '/stockroom/store/s001',
  ])('sees the page %s, and is led to the sign-in', async (path) => {
    expect((await nobody().get(path)).status).toBe(302);
  });
});

describe('a role that does not reach so far', () => {
  it.each<[DemoName, ...Call]>([
    ['odile', 'POST', '/api/promotions', body(DEMO_CHANGE)],
    ['tove', 'POST', '/api/promotions', body(DEMO_CHANGE)],
    [
      'odile',
      'PUT',
      '/api/promotions/face-week',
      { ...body({ ...DEMO_CHANGE, id: 'face-week' }), revision: 1 },
    ],
    ['odile', 'PATCH', '/api/promotions/face-week', { status: 'paused', revision: 1 }],
    ['ines', 'PATCH', '/api/promotions/face-week', { status: 'approved', revision: 1 }],
    ['ines', 'POST', '/api/send', { planVersion: 1 }],
    ['odile', 'POST', '/api/send', { planVersion: 1 }],
    ['rufus', 'PUT', '/api/plan', {}],
    ['ines', 'PUT', '/api/plan', {}],
    ['tove', 'GET', '/api/plan'],
    ['odile', 'POST', '/api/stockroom/items', { edits: [], drops: ['Q103453'] }],
    ['ines', 'POST', '/api/stockroom/stores', { edits: [], drops: ['s001'] }],
    ['ines', 'PUT', '/api/stockroom/ranges/core', { entry: { id: 'core' }, was: null }],
    ['odile', 'POST', '/api/promotions/many', { ids: ['face-week'], action: 'pause', store: 's001' }],
    ['ines', 'POST', '/api/promotions/many', { ids: ['face-week'], action: 'approve', store: 's001' }],
    ['odile', 'PUT', '/api/drafts/new-1', { draft: {} }],
    ['odile', 'POST', '/api/templates', { name: 'x', promotion: {} }],
    ['odile', 'POST', '/api/files/sheet-lines', 'sku;price'],
    ['tove', 'GET', '/api/price?store=s002&item=Q103453&at=2027-01-01T09:00'],
    ['tove', 'POST', '/api/basket', { ...BASKET, store: 's002' }],
    ['tove', 'POST', '/api/promotions/preview-deal', { ...body(DEMO_DEAL), store: 's002' }],
    ['odile', 'POST', '/api/basket-checks', CHECK],
    ['odile', 'DELETE', '/api/basket-checks/1'],
    ['odile', 'POST', '/api/pictures', 'bytes'],
  ])('%s may not %s %s', async (name, ...call) => {
    expect(await ask(people[name], call)).toMatchObject({ status: 403 });
  });

  it('finds no promotion of other stores, neither by its address nor by what it would do', async () => {
    const rufus = people.rufus;
    const promotion = { ...DEMO_CHANGE, id: 'only-s002', where: { stores: ['s002'] } };
    expect((await rufus.send('POST', '/api/promotions', { promotion })).status).toBe(201);
    expect((await people.tove.get('/api/promotions/only-s002')).status).toBe(404);
    expect((await people.tove.get('/plan/only-s002')).status).toBe(404);
    expect((await people.tove.get('/api/promotions/face-week')).status).toBe(200);
    const preview = await people.tove.send('POST', '/api/promotions/preview', { promotion, store: 's001' });
    // To them there is no such store.
    expect(preview).toMatchObject({ status: 422, body: { faults: [{ path: '/where/stores/0' }] } });
  });

  it('sees the stores that are its own and no other', async () => {
    const { body: terminals } = await people.tove.get('/api/send/terminals?all=1');
    expect(new Set(terminals.terminals.map(({ store }: { store: string }) => store))).toEqual(
      new Set(['s001']),
    );
    expect(terminals.stores.map(({ id }: { id: string }) => id)).toEqual(['s001']);
    const { body: elsewhere } = await people.tove.get('/api/send/terminals?store=s002');
    expect(elsewhere.terminals).toEqual([]);
    const { body: review } = await people.tove.get('/api/send/review');
    expect(review.stores.every(({ store }: { store: string }) => store === 's001')).toBe(true);
    const { body: across } = await people.tove.get('/api/price/across?item=Q103453&at=2027-01-01T09:00');
    expect(across.prices.flatMap(({ stores }: any) => stores.map(({ id }: any) => id))).toEqual(['s001']);
  });
});

describe('bad input is refused with where and what, and nothing is saved', () => {
  const change_ = (said: object) => body({ ...DEMO_CHANGE, ...said });
  it.each<[string, ...Call]>([
    ['/promotion', 'POST', '/api/promotions', {}],
    ['/lines', 'POST', '/api/basket', { store: 's001', at: '2027-01-01T09:00' }],
    ['/lines/0/quantity', 'POST', '/api/basket', { ...BASKET, lines: [{ sku: 'Q100001', quantity: -1 }] }],
    ['/at', 'POST', '/api/basket', { ...BASKET, at: 'soon' }],
    ['/promotion', 'POST', '/api/promotions/preview-deal', {}],
    ['/offer/kind', 'POST', '/api/promotions/preview-deal', body(DEMO_CHANGE)],
    [
      '/offer/value/amountOffEach',
      'POST',
      '/api/promotions/preview-deal',
      body({ ...DEMO_DEAL, offer: { ...DEMO_DEAL.offer, value: { amountOffEach: '1.00' } } }),
    ],
    [
      '/lines/0/quantity',
      'POST',
      '/api/promotions/preview-deal',
      { ...body(DEMO_DEAL), lines: [{ sku: 'Q100001', quantity: '1e9' }] },
    ],
    ['/moment', 'POST', '/api/basket-checks', { ...CHECK, moment: { next: 'someday', time: '10:00' } }],
    ['', 'POST', '/api/basket-checks', { ...CHECK, atMost: undefined }],
    ['/basket/lines', 'POST', '/api/basket-checks', { ...CHECK, basket: { ...UNTIMED, lines: [] } }],
    ['', 'POST', '/api/pictures', 'no picture'],
    ['/name', 'POST', '/api/promotions', change_({ name: '' })],
    [
      '/when/to',
      'POST',
      '/api/promotions',
      change_({ when: { from: '2027-03-02T09:00', to: '2027-03-01T09:00' } }),
    ],
    ['/when/from', 'POST', '/api/promotions', change_({ when: { from: 'soon' } })],
    ['/where/group', 'POST', '/api/promotions', change_({ where: { group: 'nowhere' } })],
    ['/who/groups/0', 'POST', '/api/promotions', change_({ who: { groups: ['nobody'] } })],
    ['/priority', 'POST', '/api/promotions', change_({ priority: 0 })],
    [
      '/offer/items/node',
      'POST',
      '/api/promotions',
      change_({ offer: { kind: 'priceChange', items: { node: 'x' }, formula: { percentOff: 1 } } }),
    ],
    [
      '/offer/formula/percentOff',
      'POST',
      '/api/promotions',
      change_({ offer: { kind: 'priceChange', items: { all: true }, formula: { percentOff: 20_000 } } }),
    ],
    [
      '/offer/rounding/step',
      'POST',
      '/api/promotions',
      change_({
        offer: {
          kind: 'priceChange',
          items: { all: true },
          formula: { percentOff: 1 },
          rounding: { step: '0.001', mode: 'up' },
        },
      }),
    ],
    ['/unknown', 'POST', '/api/promotions', change_({ unknown: 1 })],
    ['/revision', 'PUT', '/api/promotions/face-week', body({ ...DEMO_CHANGE, id: 'face-week' })],
    ['/revision', 'PUT', '/api/promotions/face-week', { ...body(DEMO_CHANGE), revision: 1 }],
    ['/status', 'PATCH', '/api/promotions/face-week', { status: 'gone', revision: 1 }],
    ['/revision', 'PATCH', '/api/promotions/face-week', { status: 'paused' }],
    [
      '/offer/items/node',
      'POST',
      '/api/promotions/preview',
      change_({ offer: { kind: 'priceChange', items: { node: 'x' }, formula: { percentOff: 1 } } }),
    ],
    ['/planVersion', 'POST', '/api/send', {}],
    ['/stores', 'POST', '/api/send', { planVersion: 1, stores: [] }],
    ['/item', 'GET', '/api/price?store=s001&at=2027-01-01T09:00'],
    ['/at', 'GET', '/api/price?store=s001&item=Q103453&at=later'],
    ['/group', 'GET', '/api/price?store=s001&item=Q103453&at=2027-01-01T09:00&group=nobody'],
    ['/at', 'GET', '/api/price/across?item=Q103453&at=later'],
    ['/q', 'GET', '/api/items'],
    [
      '/currency',
      'PUT',
      '/api/plan',
      { format: 'bell-tag-plan', version: 1, nodes: [], items: [], stores: [], promotions: [] },
    ],
  ])('%s of %s %s', async (path, ...call) => {
    const { status, body: reply } = await ask(people.basil, call);
    expect(status).toBe(422);
    const faults = reply.faults as { path: string; message: string }[];
    expect(faults.map((fault) => fault.path)).toContain(path);
    for (const { message } of faults) expect(message).toMatch(/\S/);
    expect((await people.basil.get('/api/promotions/refused')).status).toBe(404);
  });

  it.each<[number, ...Call]>([
    [404, 'GET', '/api/promotions/no-such'],
    [404, 'PATCH', '/api/promotions/no-such', { status: 'paused', revision: 1 }],
    [404, 'GET', '/api/price?store=nowhere&item=Q103453&at=2027-01-01T09:00'],
    [404, 'GET', '/api/price?store=s001&item=nothing&at=2027-01-01T09:00'],
    [404, 'GET', '/api/price/across?item=nothing&at=2027-01-01T09:00'],
    [409, 'POST', '/api/send', { planVersion: 1 }],
    [409, 'POST', '/api/promotions', body({ ...DEMO_CHANGE, id: 'face-week' })],
    [409, 'PUT', '/api/promotions/face-week', { ...body({ ...DEMO_CHANGE, id: 'face-week' }), revision: 99 }],
  ])('answers %i to %s %s', async (status, ...call) => {
    expect((await ask(people.basil, call)).status).toBe(status);
  });
});

describe('signing in', () => {
  it.each<[number, unknown]>([
    [401, { email: 'ines@quillmere.example', password: 'wrong-password' }],
    [401, { email: 'who@quillmere.example', password: 'quillmere-demo' }],
    [422, { email: 'ines', password: 'x' }],
    [422, { email: 'ines@quillmere.example' }],
    [400, 'nothing'],
  ])('is answered %i for %j', async (status, sent) => {
    expect((await nobody().send('POST', '/api/sign-in', sent)).status).toBe(status);
  });

  it('lets nobody in as somebody who is no demo person', async () => {
    expect((await nobody().send('POST', '/api/demo-sign-in', { email: 'x@y.example' })).status).toBe(422);
  });
});
