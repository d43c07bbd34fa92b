import { readFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import pg from 'pg';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import type { PriceFileEnvelope } from '../../src/contracts/index.ts';
import { sha256Of } from '../../src/signing/index.ts';
import { as, saveApproved } from '../application/client.ts';
import { running } from '../application/running.ts';
import { askTill, controlTill, ringAtTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';

const enrolled = () =>
  JSON.parse(readFileSync(`${running().tillFolder}/tills.json`, 'utf8')) as {
    tills: { id: string; key: string; store: string }[];
  };
const keyOf = (id: string) => enrolled().tills.find((till) => till.id === id)!.key;

const take = (key: string | null, query = '') =>
  fetch(
    `${running().origin}/api/till/price-file${query}`,
    key === null ? {} : { headers: { authorization: `Bearer ${key}` } },
  );
const report = (key: string, state: unknown) =>
  fetch(`${running().origin}/api/till/state`, {
    method: 'POST',
    headers: { authorization: `Bearer ${key}`, 'content-type': 'application/json' },
    body: JSON.stringify(state),
  });

/** What the application knows of a terminal. */
async function known(id: string) {
  const { body } = await (await as('rufus')).get('/api/send/terminals?all=1&most=9999');
  return body.terminals.find(({ terminal }: any) => terminal === id);
}

const CHEAPER_TEA = { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 500 } };

/** Makes something new for one store, and sends it there. */
async function sendSomething(id: string, store: string, offer: object = CHEAPER_TEA): Promise<number> {
  const rufus = await as('rufus');
  const promotion = {
    ...change(id),
    where: { stores: [store] },
    offer,
  };
  await saveApproved(promotion);
  const { planVersion } = (await rufus.get('/api/send/review')).body;
  const { body } = await rufus.send('POST', '/api/send', { planVersion, stores: [store] });
  return body.rollout;
}

describe('the prices of a store before they are sent', () => {
  it('stand beside those it was sent, each with what makes it, and are none once they are out', async () => {
    const rufus = await as('rufus');
    await sendSomething('tea-first', 's012');
    const review = async () => (await rufus.get('/api/send/store-prices?store=s012')).body;
    expect(await review()).toMatchObject({ total: 0, prices: [] });
    const offer = { ...CHEAPER_TEA, formula: { percentOff: 2000 } };
    const second = { ...change('tea-second'), priority: 1, where: { stores: ['s012'] }, offer };
    await saveApproved(second);
    const { sent, total, prices } = await review();
    expect([sent, total > 0]).toEqual([expect.any(Number), true]);
    for (const { by, was, before, after } of prices) {
      expect([was[0], by[0]]).toEqual(['tea-first', 'tea-second']);
      expect(Number(after)).toBeLessThan(Number(before));
    }
    const { planVersion } = (await rufus.get('/api/send/review')).body;
    await rufus.send('POST', '/api/send', { planVersion, stores: ['s012'] });
    expect(await review()).toMatchObject({ total: 0 });
    expect((await rufus.get('/api/send/store-prices?store=nowhere')).status).toBe(404);
    expect((await rufus.get('/api/send/store-prices')).status).toBe(422);
  });
});

describe('a terminal', () => {
  it.each([null, 'no-such-key', ''])('with the key %j is not let in', async (key) => {
    expect((await take(key)).status).toBe(401);
  });

  it('gets pictures by their names with its key, and not without', async () => {
    const bytes = new Uint8Array(PNG.sync.write(new PNG({ width: 320, height: 200 })));
    const { id } = (await (await as('ines')).upload('/api/pictures', bytes)).body;
    const slots = [{ name: 'Tea', items: { node: 'teas' }, quantity: 2 }];
    await sendSomething('pictured', 's010', { kind: 'combo', slots, value: { total: '3.00' }, picture: id });
    const ask = (name: string, key: string) =>
      fetch(`${running().origin}/api/till/picture/${name}`, { headers: { authorization: `Bearer ${key}` } });
    expect((await ask(id, 'no-such-key')).status).toBe(401);
    expect((await ask('0'.repeat(64), keyOf('s010-1'))).status).toBe(404);
    const reply = await until(
      () => ask(id, keyOf('s010-1')),
      ({ status }) => status === 200,
    );
    // Another store's file does not name it: its terminals do not get it, even by its name.
    expect((await ask(id, keyOf('s011-1'))).status).toBe(404);
    expect(reply.headers.get('content-type')).toBe('image/png');
    expect(new Uint8Array(await reply.arrayBuffer())).toEqual(bytes);
  });

  it('gets the newest file of its own store, and nothing where it has that one', async () => {
    const reply = await take(keyOf('s010-1'));
    const envelope = (await reply.json()) as { store: string; number: number; content: string };
    expect(envelope.store).toBe('s010');
    expect(JSON.parse(envelope.content)).toMatchObject({ store: 's010', number: envelope.number });
    expect((await take(keyOf('s010-1'), `?have=${envelope.number}`)).status).toBe(204);
    expect((await take(keyOf('s010-1'), '?have=one')).status).toBe(422);
  });

  it('that says what it has to the last byte is sent the difference alone; any other gets the whole', async () => {
    // Whatever else of the plan has changed since goes out first.
    const first = await sendSomething('first-for-s019', 's019');
    const begun = await until(
      () => take(keyOf('s019-1')),
      ({ headers }) => headers.get('x-price-file') === String(first),
    );
    const before = (await begun.json()) as PriceFileEnvelope;
    const number = await sendSomething('for-s019', 's019');
    const ask = (sha256: string) => take(keyOf('s019-1'), `?have=${before.number}&sha256=${sha256}`);
    const held = sha256Of(before.content);
    const reply = await until(
      () => ask(held),
      ({ headers }) => headers.get('x-price-file') === String(number),
    );
    const text = await reply.text();
    expect(JSON.parse(text)).toMatchObject({
      ...{ store: 's019', number, from: before.number, fromSha256: held },
      change: {
        ...{ rest: null, items: { put: [], drop: [] } },
        promotions: { put: expect.arrayContaining([expect.objectContaining({ id: 'for-s019' })]) },
      },
    });
    expect(text.length).toBeLessThan(before.content.length / 100);
    expect(await (await ask('0'.repeat(64))).json()).toMatchObject({ number, content: expect.any(String) });
    expect((await ask('short')).status).toBe(422);
  });

  it('is told what is newest, signed in answer to its own number', async () => {
    const ask = (query: string) =>
      fetch(`${running().origin}/api/till/newest${query}`, {
        headers: { authorization: `Bearer ${keyOf('s010-1')}` },
      });
    const nonce = 'ab'.repeat(16);
    const { number } = (await (await take(keyOf('s010-1'))).json()) as PriceFileEnvelope;
    const { statement } = (await (await ask(`?nonce=${nonce}`)).json()) as { statement: string };
    expect(JSON.parse(statement)).toMatchObject({ store: 's010', number, nonce, at: expect.any(String) });
    for (const query of ['', '?nonce=', '?nonce=no-hex', `?nonce=${'ab'.repeat(40)}`])
      expect((await ask(query)).status).toBe(422);
  });

  it.each([
    [{}],
    [{ holds: 0, heldSince: null, clock: '2027-03-01T00:00:00Z', problem: null }],
    [{ holds: 1, heldSince: null, clock: 'now', problem: null }],
  ])('that reports %j is refused', async (state) => {
    expect((await report(keyOf('s010-1'), state)).status).toBe(422);
  });
});

describe('a simulated till', () => {
  it('takes what is sent and tells that it holds it', async () => {
    const number = await sendSomething('for-s011', 's011');
    await until(
      () => askTill('s011-1'),
      ({ holds }) => holds === number,
    );
    await until(
      () => known('s011-1'),
      ({ holds, trouble }) => holds === number && trouble === null,
    );
  });

  it('that is off takes nothing, and catches up by itself', async () => {
    await controlTill('s012-1', { on: '0' });
    const before = (await askTill('s012-1')).holds;
    const number = await sendSomething('for-s012', 's012');
    await until(
      () => take(keyOf('s012-2')),
      ({ headers }) => headers.get('x-price-file') === String(number),
    );
    expect((await askTill('s012-1')).holds).toBe(before);
    expect(await known('s012-1')).toMatchObject({ trouble: 'behind', wanted: number });
    await controlTill('s012-1', { on: '1' });
    await until(
      () => askTill('s012-1'),
      ({ holds }) => holds === number,
    );
  });

  it('with a wrong clock is told apart', async () => {
    await controlTill('s013-1', { set: '1', clock: '2027-03-01T08:59', delay: '0' });
    await until(
      () => known('s013-1'),
      ({ trouble }) => trouble === 'wrong-clock',
    );
    await controlTill('s013-1', { right: '1' });
    await until(
      () => known('s013-1'),
      ({ trouble }) => trouble === null,
    );
  });

  it('that is slow is slow, and takes it all the same', async () => {
    await controlTill('s014-1', { set: '1', clock: '', delay: '1200' });
    const number = await sendSomething('for-s014', 's014');
    await until(
      () => askTill('s014-1'),
      ({ holds }) => holds === number,
    );
    await controlTill('s014-1', { set: '1', clock: '', delay: '0' });
  });

  it.each([
    [{ set: '1', clock: 'noon', delay: '0' }, /“noon” is no wall time/],
    [{ set: '1', clock: '', delay: 'long' }, /“long” is no delay/],
  ])('says what is wrong with %j, and sets nothing', async (form, words) => {
    const reply = await fetch(`${running().tillPage}/till/s015-1/control`, {
      method: 'POST',
      body: new URLSearchParams(form),
    });
    expect(reply.status).toBe(422);
    expect(await reply.text()).toMatch(words);
  });

  it('keeps ringing from its own disk, whatever its page is asked', async () => {
    expect((await askTill('s015-1', 'no-such-code')).rung).toMatchObject({ price: null });
    expect((await fetch(`${running().tillPage}/till/nowhere`)).status).toBe(404);
    const page = await (await fetch(`${running().tillPage}/till/s015-1?code=Q103453`)).text();
    expect(page).toMatch(/Sablewick Sensitive Night cream 50 ml/);
  });

  it('rings whole baskets to the receipts of the trial basket, to the last field', async () => {
    const number = await sendSomething('for-s018', 's018');
    await until(
      () => askTill('s018-1'),
      ({ holds }) => holds === number,
    );
    const rufus = await as('rufus');
    const baskets = [
      { lines: ['Q100001*3', 'Q100042*2'] },
      { lines: ['Q100001*5', 'Q100002*2', 'Q100042*4', 'Q103453*2'], shopper: { groups: ['members'] } },
      { lines: ['Q103453*1', 'Q100042*9', 'Q100119*3'], codes: ['NOPE'] },
    ].map(({ lines, ...rest }) => ({
      ...rest,
      lines: lines.map((line) => ({ sku: line.split('*')[0], quantity: Number(line.split('*')[1]) })),
    }));
    // The clock of the till and that of the question stand at one moment; none of the past, which a till does not ring.
    const at = `${new Date(Date.now() + 86_400_000).toISOString().slice(0, 10)}T11:00`;
    await controlTill('s018-1', { set: '1', clock: at, delay: '0' });
    for (const basket of baskets) {
      const { status, body } = await ringAtTill('s018-1', basket);
      expect(status).toBe(200);
      const place = { store: 's018', terminal: 's018-1', at };
      const tried = await rufus.send('POST', '/api/basket', { ...basket, ...place });
      expect(body.rung.receipt).toEqual(tried.body.receipt);
    }
    await controlTill('s018-1', { right: '1' });
    expect((await ringAtTill('s018-1', { lines: [{ sku: 'Q100001', quantity: -1 }] })).status).toBe(422);
    const page = await fetch(
      `${running().tillPage}/till/s018-1/basket?lines=Q100001*2&add=Q100042&quantity=1`,
    );
    expect(await page.text()).toContain('Camomile');
  });

  it('refuses a file that was tampered with, keeps the one before, and tells; a good one heals it', async () => {
    const good = await sendSomething('for-s016', 's016');
    await until(
      () => askTill('s016-1'),
      ({ holds }) => holds === good,
    );
    await inDatabase(async (client) => {
      const { rows } = await client.query('select * from price_file where store = $1 and number = $2', [
        's016',
        good,
      ]);
      const cheaper = gunzipSync(rows[0].envelope)
        .toString('utf8')
        .replace('\\"percentOff\\":500', '\\"percentOff\\":9900');
      await client.query(
        'insert into price_file (store, number, rollout, envelope, sha256, signature) values ($1, $2, $3, $4, $5, $6)',
        ['s016', good + 1000, rows[0].rollout, gzipSync(cheaper), rows[0].sha256, rows[0].signature],
      );
    });
    const told = await until(
      () => known('s016-1'),
      ({ trouble }) => trouble === 'refused',
    );
    expect(told).toMatchObject({
      holds: good,
      problem: expect.stringMatching(/signature of price file \d+ does not fit/),
    });
    await inDatabase((client) => client.query('delete from price_file where number > $1', [good]));
    const better = await sendSomething('for-s016-again', 's016');
    await until(
      () => known('s016-1'),
      ({ trouble, holds }) => trouble === null && holds === better,
    );
  });
});

describe('price files that were sent', () => {
  it('are sent once more, whole, and nothing new with them', async () => {
    const rufus = await as('rufus');
    const sent = await sendSomething('for-s020', 's020');
    const notYet = { ...change('not-yet'), where: { stores: ['s020'] }, offer: CHEAPER_TEA };
    await saveApproved(notYet);
    const { status, body } = await rufus.send('POST', '/api/send/anew', { stores: ['s020'] });
    expect([status, body]).toEqual([200, { rollout: expect.any(Number), stores: 1 }]);
    const reply = await until(
      () => take(keyOf('s020-1')),
      ({ headers }) => headers.get('x-price-file') === String(body.rollout),
    );
    const { content } = (await reply.json()) as PriceFileEnvelope;
    expect(body.rollout).toBeGreaterThan(sent);
    expect([content.includes('"for-s020"'), content.includes('"not-yet"')]).toEqual([true, false]);
    expect(Date.parse(JSON.parse(content).goodUntil)).toBeGreaterThan(Date.now() + 13 * 86_400_000);
    expect((await rufus.send('POST', '/api/send/anew', { stores: ['s020', 'nowhere'] })).status).toBe(404);
  });

  it('are signed with a new key, which tills learn by themselves, and a lost one they forget', async () => {
    const basil = await as('basil');
    const { trusts } = await askTill('s011-1');
    const replace = async (lost: boolean) => {
      const { status, body } = await basil.send('POST', '/api/send/key', { lost });
      expect(status).toBe(200);
      return until(
        () => askTill('s011-1'),
        ({ holds, problem }) => holds === body.rollout && problem === null,
      );
    };
    const { keys: before } = (await basil.get('/api/send/key')).body;
    const learned = await replace(false);
    const { keys } = (await basil.get('/api/send/key')).body;
    expect(keys).toHaveLength(before.length + 1);
    expect(learned.trusts).toEqual([...trusts, keys[0].id]);
    const after = await replace(true);
    const { keys: now } = (await basil.get('/api/send/key')).body;
    expect(after.trusts).toEqual([now[0].id]);
    expect(now.slice(1).every(({ withdrawnAt }: any) => withdrawnAt !== null)).toBe(true);
    expect(now[0].withdrawnAt).toBeNull();
  });
});

async function inDatabase<T>(work: (client: pg.Client) => Promise<T>): Promise<void> {
  const client = new pg.Client({ connectionString: running().databaseUrl });
  await client.connect();
  await work(client).finally(() => client.end());
}
