import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { as, cookieOf, saveApproved } from '../application/client.ts';
import { running } from '../application/running.ts';
import { change } from '../plans/small-plan.ts';

const draft = (id: string, said: object = {}) => ({
  ...change(id),
  status: 'draft',
  offer: { kind: 'priceChange', items: { node: 'day-cream' }, formula: { percentOff: 1000 } },
  ...said,
});

describe('a promotion', () => {
  it('is saved, looked at, changed by one of two, approved, paused and put away, and tells all of it', async () => {
    const ines = await as('ines');
    const rufus = await as('rufus');
    const promotion = draft('a-life');
    const path = '/api/promotions/a-life';
    expect(await ines.send('POST', '/api/promotions', { promotion })).toMatchObject({
      status: 201,
      body: { revision: 1 },
    });
    expect((await ines.get(path)).body).toMatchObject({ promotion, revision: 1 });
    const first = { promotion: { ...promotion, priority: 5 }, revision: 1 };
    expect((await ines.send('PUT', path, first)).body).toEqual({ revision: 2, waits: false });
    const second = await rufus.send('PUT', path, { promotion: { ...promotion, priority: 6 }, revision: 1 });
    expect(second).toMatchObject({
      status: 409,
      body: { current: { revision: 2, promotion: { priority: 5 } } },
    });
    const early = await rufus.send('PATCH', path, { status: 'approved', revision: 2 });
    expect(early).toMatchObject({
      status: 422,
      body: { faults: [{ message: expect.stringContaining('not submitted') }] },
    });
    expect((await ines.send('POST', `${path}/step`, { step: 'submit', revision: 2 })).status).toBe(200);
    expect((await rufus.send('PATCH', path, { status: 'approved', revision: 3 })).status).toBe(200);
    expect((await ines.send('PATCH', path, { status: 'paused', revision: 4 })).status).toBe(200);
    expect((await ines.send('PATCH', path, { status: 'archived', revision: 5 })).status).toBe(200);
    const { history } = (await ines.get(path)).body;
    expect(history.map(({ action, person }: any) => `${action} by ${person}`)).toEqual([
      'archived by Ines Calloway',
      'paused by Ines Calloway',
      'approved by Rufus Tamsin',
      'submitted by Ines Calloway',
      'changed by Ines Calloway',
      'created by Ines Calloway',
    ]);
  });

  it('goes on as it is while a change of it waits, and is changed once somebody else has approved that', async () => {
    const ines = await as('ines');
    const rufus = await as('rufus');
    const promotion = draft('goes-on');
    const path = '/api/promotions/goes-on';
    const step = async (who: typeof ines, name: string, more: object = {}) => {
      const { revision } = (await ines.get(path)).body;
      return (await who.send('POST', `${path}/step`, { step: name, revision, ...more })).status;
    };
    await ines.send('POST', '/api/promotions', { promotion });
    expect([await step(ines, 'submit'), await step(rufus, 'approve')]).toEqual([200, 200]);
    const standing = (await ines.get(path)).body;
    expect(standing).toMatchObject({ promotion: { status: 'approved' }, waiting: null });
    const review = async () => (await rufus.get('/api/send/review')).body;
    const sent = await review();
    const written = await ines.send('PUT', path, {
      promotion: { ...standing.promotion, name: 'Goes on', priority: 3 },
      revision: standing.revision,
    });
    expect(written.body).toMatchObject({ waits: true });
    expect((await ines.get(path)).body).toMatchObject({
      promotion: { name: 'Goes on', status: 'approved' },
      waiting: { state: 'written', change: true },
      change: {
        promotion: { name: 'Goes on', priority: 3 },
        differences: [{ what: 'Priority', before: '100', after: '3' }],
      },
    });
    // Nothing leaves the tills: it would be sent as it was, under its new name.
    const stores = (all: any) =>
      all.stores.filter(({ promotions }: any) => promotions.gone.includes('goes-on'));
    expect(stores(await review())).toEqual(stores(sent));
    expect([await step(ines, 'submit'), await step(ines, 'approve')]).toEqual([200, 403]);
    expect([await step(rufus, 'send-back'), await step(rufus, 'send-back', { reason: 'too early' })]).toEqual(
      [422, 200],
    );
    expect((await ines.get(path)).body.waiting).toMatchObject({
      state: 'sent-back',
      reason: 'Rufus Tamsin: too early',
    });
    expect([await step(ines, 'submit'), await step(rufus, 'approve')]).toEqual([200, 200]);
    expect((await ines.get(path)).body).toMatchObject({
      promotion: { name: 'Goes on', status: 'approved', priority: 3 },
      waiting: null,
      change: null,
    });
  });

  it('shows what it would do without being saved, and prices nothing while a draft', async () => {
    const ines = await as('ines');
    const { body } = await ines.send('POST', '/api/promotions/preview', {
      promotion: draft('never-saved'),
      store: 's001',
    });
    expect(body).toMatchObject({ stores: 48, lookedAt: { store: 's001' } });
    expect(body.items).toBeGreaterThan(0);
    expect(body.sentence).toMatch(/pay 10 % less on Day cream\.$/);
    expect((await ines.get('/api/promotions/never-saved')).status).toBe(404);
  });

  it('stands in the list of the stores that it counts in', async () => {
    const odile = await as('odile');
    const ids = async (query: string) =>
      (await odile.get(`/api/promotions${query}`)).body.map(({ id }: any) => id);
    expect(await ids('')).toContain('sun-weekend');
    expect(await ids('?stores=s001')).toContain('sun-weekend');
    expect(await ids('?stores=s002,s003')).not.toContain('sun-weekend');
  });
});

describe('a price', () => {
  it('comes with its story, and with what it is in every other store', async () => {
    const odile = await as('odile');
    const at = (await odile.get('/api/promotions/face-week')).body.promotion.when.from;
    const { body } = await odile.get(`/api/price?store=s001&item=Q103453&at=${at}`);
    expect(body).toMatchObject({
      currency: 'EUR',
      winner: { id: 'face-week' },
      store: { timeZone: 'Europe/Madrid' },
    });
    expect(body.winner.working).toMatch(
      /^20 % less on [\d.]+ is [\d.]+, rounded to the nearest price ending in 0\.49 or 0\.99: [\d.]+$/,
    );
    const { body: across } = await odile.get(`/api/price/across?item=Q103453&at=${at}`);
    const stores = across.prices.flatMap(({ stores: some }: any) => some);
    expect(stores).toHaveLength(48);
    const here = across.prices.find(({ stores: some }: any) => some.some(({ id }: any) => id === 's001'));
    expect(here.price).toBe(body.price);
  });

  it('is found by words of the name, by SKU and by barcode', async () => {
    const odile = await as('odile');
    const skus = async (text: string) =>
      (await odile.get(`/api/items?q=${text}`)).body.map(({ sku }: any) => sku);
    const { gtin, name } = (await odile.get('/api/items?q=Q103453')).body[0];
    expect(await skus(gtin)).toEqual(['Q103453']);
    expect(await skus(name.split(' ').reverse().join(' ').toUpperCase())).toContain('Q103453');
    expect(await skus('no%20such%20thing')).toEqual([]);
  });
});

describe('a basket', () => {
  it('is rung with what is live, and named in words', async () => {
    const promotion = {
      ...change('three-teas', { when: { from: '2031-05-01T00:00', to: '2031-05-02T00:00' } }),
      where: { stores: ['s001'] },
      offer: { kind: 'mixAndMatch', items: { items: ['Q100042'] }, take: 3, value: { total: '4.00' } },
    };
    await saveApproved(promotion);
    const basket = { store: 's001', at: '2031-05-01T12:00', lines: [{ sku: 'Q100042', quantity: 4 }] };
    const { status, body } = await (await as('tove')).send('POST', '/api/basket', basket);
    expect(status).toBe(200);
    const [line] = body.receipt.lines;
    expect(body.receipt.applications).toMatchObject([{ promotion: 'three-teas', times: 1 }]);
    expect(Number(line.net)).toBeCloseTo(4 + Number(line.tag), 2);
    expect(body.promotions['three-teas'].sentence).toContain('3 of');
    expect(body.items.Q100042).toContain('Camomile');
  });
});

describe('a basket kept as a check', () => {
  it('is rung again once the plan has changed, by whoever, and stands on Today when it fails', async () => {
    const rufus = await as('rufus');
    const deal = {
      ...change('check-teas', { when: { from: '2031-06-01T00:00', to: '2031-06-02T00:00' } }),
      where: { stores: ['s001'] },
      offer: { kind: 'mixAndMatch', items: { items: ['Q100042'] }, take: 3, value: { total: '4.00' } },
    };
    await saveApproved(deal);
    const check = {
      name: 'Three teas',
      basket: { store: 's001', lines: [{ sku: 'Q100042', quantity: 3 }] },
      moment: { at: '2031-06-01T12:00' },
      atMost: '4.00',
    };
    const { status, body } = await rufus.send('POST', '/api/basket-checks', check);
    expect({ status, result: body.result }).toMatchObject({
      status: 201,
      result: { total: '4.00', holds: true },
    });
    await rufus.send('PATCH', '/api/promotions/check-teas', { status: 'paused', revision: 3 });
    const { body: all } = await (await as('tove')).get('/api/basket-checks');
    expect(all.find(({ name }: any) => name === 'Three teas').result).toMatchObject({ holds: false });
    expect((await rufus.get('/today')).body).toContain('Three teas');
    expect((await rufus.send('DELETE', `/api/basket-checks/${body.id}`, {})).status).toBe(200);
    expect((await rufus.send('DELETE', `/api/basket-checks/${body.id}`, {})).status).toBe(404);
    expect((await rufus.get('/today')).body).not.toContain('Three teas');
  });
});

describe('the words that deals can ask for', () => {
  it('are the chain’s, and what a promotion asks for already stays a choice', async () => {
    const basil = await as('basil');
    const { words } = (await basil.get('/api/choices')).body;
    expect(words.payments).toContain('card');
    const next = { ...words, payments: [...words.payments, 'gift card'], linkTags: [] };
    expect((await basil.send('PUT', '/api/chain-words', next)).status).toBe(200);
    const asking = {
      ...change('asks-for-words', { status: 'draft' }),
      offer: {
        kind: 'basketReward',
        threshold: 'subtotal',
        tiers: [{ atLeast: '30.00', amountOff: '1.00' }],
        conditions: { linkTags: ['leaflet of May'] },
      },
    };
    await (await as('ines')).send('POST', '/api/promotions', { promotion: asking });
    const known = (await (await as('ines')).get('/api/choices')).body;
    expect(known.words).toMatchObject({ payments: next.payments, linkTags: ['leaflet of May'] });
    expect(known.rewards).toContainEqual({ id: 'asks-for-words', name: 'asks-for-words' });
    // A store's people learn of no region but their own.
    const { regions } = (await (await as('tove')).get('/api/choices')).body.words;
    expect(regions).toHaveLength(1);
    for (const wrong of [{}, { ...next, payments: ['card', 'card'] }, { ...next, regions: [' '] }])
      expect((await basil.send('PUT', '/api/chain-words', wrong)).status).toBe(422);
    await basil.send('PUT', '/api/chain-words', words);
  });
});

describe('a picture', () => {
  it('comes in by its bytes, and is shown as what it is to whoever is signed in', async () => {
    const ines = await as('ines');
    const small = new Uint8Array(PNG.sync.write(new PNG({ width: 320, height: 200 })));
    const { status, body } = await ines.upload('/api/pictures', small);
    expect(status).toBe(201);
    expect((await ines.upload('/api/pictures', small)).body).toEqual(body);
    const shown = await (await as('odile')).get(`/api/pictures/${body.id}`);
    expect(shown.status).toBe(200);
    expect((await ines.get('/api/pictures/none')).status).toBe(404);
    const combo = {
      ...change('with-picture'),
      status: 'draft',
      offer: {
        kind: 'combo',
        slots: [{ name: 'Tea', items: { node: 'teas' }, quantity: 2 }],
        value: { total: '3.00' },
        picture: body.id,
      },
    };
    expect((await ines.send('POST', '/api/promotions', { promotion: combo })).status).toBe(201);
    const kept = (await ines.get('/api/promotions/with-picture')).body.promotion;
    expect(kept.offer).toEqual(combo.offer);
  });
});

describe('the plan', () => {
  it('is replaced as it was looked at, and not where somebody changed it since', async () => {
    const basil = await as('basil');
    const cookie = await cookieOf('basil');
    const { body: out } = await basil.get('/api/plan');
    const put = async (query: string, headers: Record<string, string> = {}) => {
      const reply = await fetch(`${running().origin}/api/plan${query}`, {
        method: 'PUT',
        headers: { origin: running().origin, 'content-type': 'application/json', cookie, ...headers },
        body: JSON.stringify({ ...out, promotions: [] }),
      });
      return { status: reply.status, body: await reply.json() };
    };
    const dry = await put('?dry=1');
    expect(dry).toMatchObject({
      status: 200,
      body: { items: out.items.length, promotions: 0, were: { promotions: out.promotions.length } },
    });
    const looked = `"plan-${dry.body.planVersion}"`;
    const ines = await as('ines');
    const promotion = change('saved-meanwhile');
    expect((await ines.send('POST', '/api/promotions', { promotion })).status).toBe(201);
    for (const tag of [looked, '"another"'])
      expect(await put('', { 'if-match': tag })).toMatchObject({
        ...{ status: 412, body: { type: 'urn:belltag:problem:conflict' } },
      });
    expect((await ines.get('/api/promotions/saved-meanwhile')).status).toBe(200);
  });

  it('goes out whole, and comes in as it went out', async () => {
    const basil = await as('basil');
    const { body: out } = await basil.get('/api/plan');
    expect(out).toMatchObject({ format: 'bell-tag-plan', version: 1, name: 'Quillmere' });
    const { status, body } = await basil.send('PUT', '/api/plan', out);
    expect({ status, body }).toEqual({
      status: 200,
      body: expect.objectContaining({ ok: true, items: out.items.length, promotions: out.promotions.length }),
    });
    const back = (await basil.get('/api/plan')).body;
    const sorted = (list: any[]) => list.sort((a, b) => (a.id < b.id ? -1 : 1));
    const byId = (plan: any) => ({
      ...plan,
      promotions: sorted(plan.promotions),
      itemSets: sorted(plan.itemSets),
    });
    expect(byId(back)).toEqual(byId(out));
  });
});
