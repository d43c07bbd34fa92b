import { createHmac } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { as, cookieOf, saveApproved } from '../application/client.ts';
import { running } from '../application/running.ts';
import { sendTo } from '../application/send-to.ts';
import { closeBasket, controlTill, ringAtTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';

const STORES = ['s023', 's024'];
const [HERE, THERE] = ['s023-1', 's024-1'];
const PATTERN = { length: 10, of: 'both', prefix: 'Q-', suffix: '', dashEvery: 5 };
const ASKED = { count: 40, pattern: PATTERN, from: null, to: null, test: false };

/** Promotions that are had by single-use codes, one in both stores and one in the first. */
beforeAll(async () => {
  const given = (id: string, more: object) =>
    saveApproved({
      ...change(id),
      when: { from: '2026-11-01T00:00', to: '2027-06-01T20:00' },
      where: { stores: STORES },
      codeBatches: true,
      offer: { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', amountOff: '1.00' }] },
      ...more,
    } as never);
  await given('by-batch', { uses: { inAll: 100 } });
  await given('by-batch-here', { where: { stores: [STORES[0]] } });
  await sendTo(STORES, [HERE!, THERE!]);
});
afterAll(async () => {
  await controlTill(HERE!, { on: '1' });
});

/** Has codes made, and takes their list. */
async function codesOf(promotion: string, asked: object = ASKED) {
  const ines = await as('ines');
  const { status, body } = await ines.send('POST', `/api/promotions/${promotion}/codes`, asked);
  expect([status, body]).toEqual([201, { id: expect.any(Number) }]);
  const batch = body.id as number;
  await until(
    () => batchOf(promotion, batch),
    ({ made, wanted }) => made === wanted,
  );
  return { batch, codes: await listOf(batch) };
}
async function listOf(batch: number): Promise<string[]> {
  const ines = await as('ines');
  const { status, body } = await ines.send('POST', `/api/codes/${batch}/list`, '');
  expect(status).toBe(200);
  const [head, ...codes] = String(body).trimEnd().split('\r\n');
  expect(head).toBe('code');
  return codes;
}
const batchOf = async (promotion: string, id: number) =>
  (await (await as('ines')).get(`/api/promotions/${promotion}/codes`)).body.batches.find(
    (one: any) => one.id === id,
  );
/** What a till says of a code in a basket of one item. */
async function ring(till: string, basket: string, code: string) {
  const { status, body } = await ringAtTill(till, {
    ...{ id: basket, codes: [code], lines: [{ sku: 'Q100042', quantity: 1 }] },
  });
  expect(status).toBe(200);
  expect(Object.values(body.rung.brought)).toEqual(body.rung.receipt.codes[0].accepted ? ['1.00'] : []);
  const [{ accepted, reason }] = body.rung.receipt.codes;
  expect(body.rung.receipt.rewards.length).toBe(accepted ? 1 : 0);
  return accepted ? 'accepted' : reason;
}
const find = async (code: string, name: 'ines' | 'tove' = 'ines') =>
  (await as(name)).send('POST', '/api/codes/find', { code });

describe('a single-use code', () => {
  it('is good for one receipt, at whatever till and however it is typed', async () => {
    const { batch, codes } = await codesOf('by-batch');
    expect(new Set(codes).size).toBe(40);
    const [code, next] = codes as [string, string];
    expect(await ring(HERE!, 'basket-code1', code.toLowerCase().replaceAll('-', ' '))).toBe('accepted');
    // Kept for that basket, it is nobody else's.
    expect(await ring(THERE!, 'basket-code2', code)).toMatch(/used as often/);
    await closeBasket(HERE!, 'basket-code1', 'paid');
    expect(await ring(THERE!, 'basket-code2', code)).toMatch(/used as often/);
    expect(await ring(THERE!, 'basket-code2', next)).toBe('accepted');
    await closeBasket(THERE!, 'basket-code2', 'dropped');
    expect(await batchOf('by-batch', batch)).toMatchObject({
      ...{ used: 1, made: 40, worth: '1.00', maker: 'Ines Calloway' },
    });
    expect((await find(code)).body).toMatchObject({
      ...{ promotion: { id: 'by-batch' }, batch: { id: batch }, state: 'used' },
      uses: [{ terminal: HERE, store: 's023', basket: 'basket-code1', over: false }],
    });
    expect((await find(next)).body).toMatchObject({ state: 'good', uses: [] });
    const { body } = await (await as('ines')).get('/api/promotions/by-batch/uses');
    expect(body).toMatchObject({ inAll: { taken: 1 }, newest: [{ terminal: HERE, batch }] });
    // Whoever sees other stores alone learns that it was used, and not where.
    expect((await find(code, 'tove')).body).toMatchObject({ state: 'used', uses: [] });
  });

  it('of another store is told to be no code of this one', async () => {
    const { codes } = await codesOf('by-batch-here');
    expect(await ring(THERE!, 'basket-code3', codes[0]!)).toMatch(/does not count here/);
    expect(await ring(HERE!, 'basket-code3', codes[0]!)).toBe('accepted');
    await closeBasket(HERE!, 'basket-code3', 'dropped');
  });

  it('is withdrawn by itself, or with all of its batch', async () => {
    const ines = await as('ines');
    const { batch, codes } = await codesOf('by-batch');
    const [one, other] = codes as [string, string];
    expect((await ines.send('POST', '/api/codes/withdraw', { code: one })).status).toBe(200);
    expect(await ring(HERE!, 'basket-code4', one)).toBe('it was withdrawn');
    expect(await ring(HERE!, 'basket-code4', other)).toBe('accepted');
    await closeBasket(HERE!, 'basket-code4', 'dropped');
    expect((await ines.send('POST', `/api/codes/${batch}/step`, { step: 'withdraw' })).status).toBe(200);
    expect(await ring(HERE!, 'basket-code4', other)).toBe('it was withdrawn');
    expect(await batchOf('by-batch', batch)).toMatchObject({ withdrawn: 1, allWithdrawn: true });
  });

  it('is good until the last day of its batch, which can be moved', async () => {
    const ines = await as('ines');
    const { batch, codes } = await codesOf('by-batch', { ...ASKED, from: '2027-05-01', to: '2027-05-31' });
    expect(await ring(HERE!, 'basket-days', codes[0]!)).toMatch(/has not started/);
    const move = (to: unknown) => ines.send('POST', `/api/codes/${batch}/step`, { step: 'move-end', to });
    expect((await move('2027-04-30')).body.faults).toMatchObject([{ path: '/to' }]);
    expect((await move(undefined)).status).toBe(422);
    expect((await move('2027-06-01')).status).toBe(200);
    expect(await batchOf('by-batch', batch)).toMatchObject({ from: '2027-05-01', to: '2027-06-01' });
    const withdrawn = { step: 'withdraw', to: null };
    expect((await ines.send('POST', `/api/codes/${batch}/step`, withdrawn)).status).toBe(422);
  });

  it('of the house is good again and again, and counts nowhere', async () => {
    const uses = async () => (await (await as('ines')).get('/api/promotions/by-batch/uses')).body;
    const before = await uses();
    const { batch, codes } = await codesOf('by-batch', { ...ASKED, count: 1, test: true, to: '2027-05-31' });
    for (const basket of ['basket-test1', 'basket-test2']) {
      expect(await ring(HERE!, basket, codes[0]!)).toBe('accepted');
      await closeBasket(HERE!, basket, 'paid');
    }
    expect(await uses()).toEqual(before);
    expect(await batchOf('by-batch', batch)).toMatchObject({ used: 0, test: true });
  });

  it('cannot be checked by a till that is cut off, and brings nothing there', async () => {
    const { codes } = await codesOf('by-batch');
    await controlTill(HERE!, { on: '0' });
    expect(await ring(HERE!, 'basket-code5', codes[0]!)).toMatch(/nobody could be asked/);
    await controlTill(HERE!, { on: '1' });
    expect(await ring(HERE!, 'basket-code5', codes[0]!)).toBe('accepted');
    await closeBasket(HERE!, 'basket-code5', 'dropped');
  });

  it('is rung in a trial basket by who plans, and so is what stands for any of them', async () => {
    const ines = await as('ines');
    const { codes } = await codesOf('by-batch');
    const tried = async (code: string) => {
      const lines = [{ sku: 'Q100042', quantity: 1 }];
      const { body } = await ines.send('POST', '/api/basket', {
        ...{ store: 's023', at: '2026-12-05T10:00', codes: [code], lines },
      });
      return body.receipt.codes[0].accepted;
    };
    expect([await tried(codes[0]!), await tried('any-code-of-by-batch'), await tried('any-code')]).toEqual([
      ...[true, true, false],
    ]);
  });
});

describe('a file of a batch beside the plan', () => {
  it('says by hashes which codes are good, and tells none', async () => {
    const ines = await as('ines');
    const { batch, codes } = await codesOf('by-batch', { ...ASKED, count: 5, to: '2027-05-31' });
    await ines.send('POST', '/api/codes/withdraw', { code: codes[1] });
    const { status, body } = await ines.send('POST', `/api/codes/${batch}/list?by=hashes`, '');
    expect([status, body.batches[0].promotion, body.batches[0].to]).toEqual([200, 'by-batch', '2027-05-31']);
    const key = Buffer.from(body.key, 'base64url');
    const hashOf = (code: string) =>
      createHmac('sha256', key).update(code.replaceAll('-', '')).digest('hex').slice(0, 32);
    expect(body.batches[0].codes).toEqual(codes.map(hashOf));
    expect(body.batches[0].withdrawn).toEqual([hashOf(codes[1]!)]);
    const again = await ines.send('POST', `/api/codes/${batch}/list?by=hashes`, '');
    expect(again.body.key).not.toBe(body.key);
  });
});

describe('a list of codes', () => {
  it('is kept nowhere for who asks for it again under the same key', async () => {
    const { batch } = await codesOf('by-batch', { ...ASKED, count: 2 });
    const { origin } = running();
    const headers = { origin, cookie: await cookieOf('ines'), 'idempotency-key': 'list-of-codes' };
    const take = () => fetch(`${origin}/api/codes/${batch}/list`, { method: 'POST', headers });
    const [first, again] = [await take(), await take()];
    expect([first.status, again.status, again.headers.get('idempotent-replayed')]).toEqual([200, 200, null]);
    expect(await again.text()).toBe(await first.text());
    expect((await batchOf('by-batch', batch)).taken).toHaveLength(3);
  });

  it('is asked for once, however often a program says so under one key', async () => {
    const { origin } = running();
    const headers = {
      ...{ origin, cookie: await cookieOf('ines'), 'content-type': 'application/json' },
      'idempotency-key': 'batch-once',
    };
    const path = `${origin}/api/v1/promotions/by-batch/codes`;
    const ask = async () =>
      (await fetch(path, { method: 'POST', headers, body: JSON.stringify({ ...ASKED, count: 3 }) })).json();
    expect(await ask()).toEqual(await ask());
  });
});

describe('a till at which codes are guessed', () => {
  it('is slowed down, and told no right one either until it has waited', async () => {
    const { codes } = await codesOf('by-batch');
    const said = [];
    for (let i = 0; i < 50; i++) said.push(await ring(THERE!, 'basket-guess', `Q-GUESS-${i}`));
    expect(said.slice(0, 15).every((reason) => /no promotion has/.test(reason))).toBe(true);
    expect(said.slice(-20).every((reason) => /too many wrong codes/.test(reason))).toBe(true);
    expect(await ring(THERE!, 'basket-guess', codes[0]!)).toMatch(/too many wrong codes/);
    const page = await (await as('ines')).get<string>(`/send/terminal/${THERE}`);
    expect(page.body).toMatch(/\d\d wrong codes were tried here within a day/);
    expect((await (await as('ines')).get<string>('/today')).body).toContain('wrong codes tried at');
    // Others are no worse for it.
    expect(await ring(HERE!, 'basket-guess', codes[0]!)).toBe('accepted');
    await closeBasket(HERE!, 'basket-guess', 'dropped');
  });
});

describe('what is asked of codes', () => {
  const key = () =>
    JSON.parse(readFileSync(`${running().tillFolder}/tills.json`, 'utf8')).tills.find(
      ({ id }: any) => id === HERE,
    ).key;
  it.each<[string, unknown]>([
    ['no codes', { codes: [] }],
    ['no list', { codes: 'Q-1' }],
    ['a hundred and one', { codes: Array.from({ length: 101 }, (_, i) => `Q-${i}`) }],
    ['an empty one', { codes: [''] }],
  ])('by a till is refused with %s', async (_, body) => {
    const reply = await fetch(`${running().origin}/api/till/codes`, {
      method: 'POST',
      headers: { authorization: `Bearer ${key()}`, 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    expect(reply.status).toBe(422);
  });

  it.each<[string, object, string]>([
    ['a million and one', { count: 1_000_001 }, '/count'],
    ['none', { count: 0 }, '/count'],
    ['three signs', { pattern: { ...PATTERN, length: 3 } }, '/pattern/length'],
    ['a sign that is none', { pattern: { ...PATTERN, prefix: 'Q_' } }, '/pattern/prefix'],
    ['a look-alike', { pattern: { ...PATTERN, prefix: 'Q0' } }, '/pattern/prefix'],
    ['a day that is none', { to: '2027-02-30' }, '/to'],
    ['a day that is over', { to: '2026-11-30' }, '/to'],
  ])('of a batch with %s is refused, and told where', async (_, more, path) => {
    const ines = await as('ines');
    const batches = async () => (await ines.get('/api/promotions/by-batch/codes')).body.batches.length;
    const before = await batches();
    const { status, body } = await ines.send('POST', '/api/promotions/by-batch/codes', { ...ASKED, ...more });
    expect([status, body.faults.map((fault: any) => fault.path)]).toEqual([422, [path]]);
    expect(await batches()).toBe(before);
  });

  it('is refused of a promotion that asks for none, and of one that is put away', async () => {
    const ines = await as('ines');
    const draft = { ...change('no-batches'), status: 'draft' };
    await ines.send('POST', '/api/promotions', { promotion: draft });
    const refused = await ines.send('POST', '/api/promotions/no-batches/codes', ASKED);
    expect(refused.body.faults).toMatchObject([{ path: '', message: expect.stringMatching(/without one/) }]);
    const put = { promotion: { ...draft, codeBatches: true }, revision: 1 };
    expect((await ines.send('PUT', '/api/promotions/no-batches', put)).status).toBe(200);
    expect((await ines.send('POST', '/api/promotions/no-batches/codes', ASKED)).status).toBe(201);
    await ines.send('PATCH', '/api/promotions/no-batches', { status: 'archived', revision: 2 });
    const away = await ines.send('POST', '/api/promotions/no-batches/codes', ASKED);
    expect(away.body.faults).toMatchObject([{ path: '', message: expect.stringMatching(/put away/) }]);
  });

  it('of a batch that is not there is 404, and of a list that was thrown away', async () => {
    const ines = await as('ines');
    for (const path of ['/api/codes/999999/list', '/api/codes/none/list'])
      expect((await ines.send('POST', path, '')).status).toBe(404);
    const { batch } = await codesOf('by-batch');
    expect((await ines.send('POST', `/api/codes/${batch}/step`, { step: 'throw-list-away' })).status).toBe(
      200,
    );
    expect((await ines.send('POST', `/api/codes/${batch}/list`, '')).status).toBe(404);
    expect(await batchOf('by-batch', batch)).toMatchObject({
      ...{ listed: false, taken: [{ by: 'Ines Calloway' }] },
    });
    const trail = await (await as('basil')).get<string>('/check/history?promotion=by-batch');
    for (const action of ['codes asked for', 'list of codes taken']) expect(trail.body).toContain(action);
  });
});
