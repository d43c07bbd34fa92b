import { readFileSync } from 'node:fs';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { type FurtherServer, furtherServer } from '../application/further-server.ts';
import { running } from '../application/running.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';

/** Beside the application of all tests: another that answers pages, and one that is there for the jobs alone. */
let pages: FurtherServer;
let worker: FurtherServer;
let db: pg.Client;

const begin = (jobs: '0' | '1') => furtherServer({ BELLTAG_JOBS: jobs, BELLTAG_DEMO: '1' });

beforeAll(async () => {
  db = new pg.Client({ connectionString: running().databaseUrl });
  await db.connect();
  [pages, worker] = await Promise.all([begin('0'), begin('1')]);
});
afterAll(async () => {
  await Promise.all([pages, worker].map((server) => server?.process.exitCode === null && server.stop()));
  await db.end();
});

const keyOf = (id: string): string => {
  const { tills } = JSON.parse(readFileSync(`${running().tillFolder}/tills.json`, 'utf8'));
  return tills.find((till: { id: string }) => till.id === id).key;
};

describe('on one database, two servers and a worker', () => {
  it('answer alike at once, whichever of them was told', async () => {
    const promotion = {
      ...change('two-servers', {
        where: { stores: ['s021'] },
        priority: 1,
        when: { from: '2026-11-01T00:00' },
      }),
      offer: {
        kind: 'priceChange',
        items: { items: ['Q100181'] },
        formula: { setTo: '0.21' },
        mayRaise: true,
      },
    };
    const path = '/api/price?store=s021&item=Q100181&at=2026-11-28T12:00';
    const [here, there] = [await as('ines'), await as('ines', pages.origin)];
    expect((await there.get(path)).body.price).not.toBe('0.21');
    await saveApproved(promotion as never);
    expect((await there.get(path)).body.price).toBe('0.21');
    const { body } = await there.get('/api/promotions/two-servers');
    const rufus = await as('rufus', pages.origin);
    await rufus.send('PATCH', '/api/promotions/two-servers', { status: 'paused', revision: body.revision });
    expect((await here.get(path)).body.price).not.toBe('0.21');
    expect((await here.get('/api/promotions/two-servers')).body.promotion.status).toBe('paused');
  });

  it('have one of them ring a kept basket again, once for a change of the plan', async () => {
    const ines = await as('ines', pages.origin);
    const basket = { lines: [{ sku: 'Q100036', quantity: 1 }], store: 's021' };
    const kept = await ines.send('POST', '/api/basket-checks', {
      ...{ name: 'Rung once by three', basket, moment: { at: '2031-06-01T12:00' }, atMost: '1000.00' },
    });
    expect([kept.status, JSON.stringify(kept.body)]).toEqual([201, expect.any(String)]);
    await db.query(`
      create table rung (version bigint);
      create function count_rung() returns trigger language plpgsql as $$
        begin insert into rung values ((new.result ->> 'planVersion')::bigint); return new; end $$;
      create trigger count_rung after update of result on basket_check for each row
        when (new.id = ${kept.body.id}) execute function count_rung()`);
    try {
      await saveApproved({
        ...change('another-change', { where: { stores: ['s022'] } }),
        offer: { kind: 'priceChange', items: { items: ['Q100042'] }, formula: { percentOff: 100 } },
      } as never);
      const newest = Number((await db.query('select plan_version as v from chain')).rows[0].v);
      const rung = async () =>
        (await db.query('select version from rung')).rows.map(({ version }) => Number(version));
      await until(rung, (versions) => versions.includes(newest));
      // Once for each version that was looked at, and by nobody twice.
      const versions = await rung();
      expect(versions).toEqual([...new Set(versions)]);
    } finally {
      await db.query('drop trigger count_rung on basket_check; drop function count_rung; drop table rung');
      await ines.send('DELETE', `/api/basket-checks/${kept.body.id}`, {});
    }
  });

  it('tell a till of what another of them sent, and hand it over', async () => {
    const key = keyOf('s021-1');
    const headers = { authorization: `Bearer ${key}` };
    const line = await fetch(`${pages.origin}/api/till/stream`, { headers });
    expect([line.status, line.headers.get('content-type')]).toEqual([
      200,
      expect.stringContaining('text/event-stream'),
    ]);
    const reader = line.body!.getReader();
    const heard = async (wanted: RegExp): Promise<string> => {
      for (let text = ''; ; ) {
        const { value, done } = await reader.read();
        text += Buffer.from(value ?? []).toString('utf8');
        if (wanted.test(text)) return text;
        if (done) throw new Error(`the line ended after ${text}`);
      }
    };
    const rufus = await as('rufus');
    const sent = await rufus.send('POST', '/api/send/anew', { stores: ['s021'] });
    const number = sent.body.rollout;
    await heard(new RegExp(`event: newer\ndata: ${number}\n`));
    const file = await fetch(`${pages.origin}/api/till/price-file`, { headers });
    expect([file.status, ((await file.json()) as { number: number }).number]).toEqual([200, number]);
    expect((await rufus.send('POST', '/api/send/wake', { terminal: 's021-1' })).status).toBe(200);
    await heard(/event: wake\ndata: s021-1\n/);
    expect((await rufus.send('POST', '/api/send/wake', { terminal: 'no-such-till' })).status).toBe(404);
    await reader.cancel();
  });

  it('let one that is ended finish and go, with those who hang on its lines', async () => {
    const line = await fetch(`${pages.origin}/api/till/stream`, {
      headers: { authorization: `Bearer ${keyOf('s022-1')}` },
    });
    const odile = await as('odile', pages.origin);
    expect((await odile.get('/api/send/stream')).status).toBe(200);
    // It does not wait until whoever hangs on is cut off, which it would say.
    expect(await pages.stop()).toBe(0);
    expect(await line.text()).toContain('retry:');
    expect((await (await as('odile')).get('/api/promotions')).status).toBe(200);
  });
});

it.each([
  ['nobody', {}],
  ['a key that is none', { authorization: 'Bearer no-such-key' }],
])('a line is refused to %s', async (_, headers) => {
  expect((await fetch(`${running().origin}/api/till/stream`, { headers })).status).toBe(401);
});
it('a line is for looking alone', async () => {
  const headers = { authorization: `Bearer ${keyOf('s021-1')}` };
  expect((await fetch(`${running().origin}/api/till/stream`, { method: 'POST', headers })).status).toBe(405);
});
