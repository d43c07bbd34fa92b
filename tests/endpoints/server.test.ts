import { readFileSync } from 'node:fs';
import { request as ask } from 'node:http';
import { afterAll, beforeAll, describe, expect, it, onTestFinished } from 'vitest';
import { as, cookieOf, nobody } from '../application/client.ts';
import { type FurtherServer, furtherServer } from '../application/further-server.ts';
import { running } from '../application/running.ts';
import { until } from '../application/until.ts';

const at = (path: string, init: RequestInit = {}, origin = running().origin) =>
  fetch(origin + path, { redirect: 'manual', ...init });
const JSON_TYPE = { 'content-type': 'application/json' };
const problemOf = async (reply: Response) => {
  expect(reply.headers.get('content-type')).toMatch(/^application\/problem\+json/);
  const { type, status, title, detail } = await reply.json();
  expect([status, title, detail]).toEqual([reply.status, expect.any(String), expect.any(String)]);
  return `${status} ${type.replace('urn:belltag:problem:', '')}`;
};
const TOKEN = 'a-token-of-the-tests';

/** One that stands behind a proxy, and tells how it does to who has a token. */
let apart: FurtherServer;
beforeAll(async () => {
  apart = await furtherServer({ BELLTAG_PROXY: '1', BELLTAG_METRICS_TOKEN: TOKEN });
});
afterAll(async () => {
  await apart.stop();
});

describe('what cannot be done is told apart, in JSON', () => {
  const origin = () => ({ origin: running().origin });
  it.each<[string, () => RequestInit, string, string | null]>([
    ['/api/nothing', () => ({}), '404 not-found', null],
    ['/api/nothing', () => ({ method: 'DELETE', headers: origin() }), '404 not-found', null],
    ['/api/promotions/preview', () => ({}), '405 wrong-method', 'POST'],
    ['/api/plan', () => ({ method: 'DELETE', headers: origin() }), '405 wrong-method', 'GET, PUT, HEAD'],
    ['/api/till/state', () => ({}), '405 wrong-method', 'POST'],
    [
      '/api/sign-in',
      () => ({ method: 'POST', body: '{}', headers: { ...origin(), 'content-type': 'application/xml' } }),
      '415 wrong-type',
      null,
    ],
    [
      '/api/sign-in',
      () => ({ method: 'POST', body: '{"email', headers: { ...origin(), ...JSON_TYPE } }),
      '400 unreadable',
      null,
    ],
    [
      '/api/sign-in',
      () => ({ method: 'POST', body: '{}', headers: { ...origin(), ...JSON_TYPE } }),
      '422 invalid',
      null,
    ],
  ])('%s: %s', async (path, init, wanted, allow) => {
    const reply = await at(path, init());
    expect(await problemOf(reply)).toBe(wanted);
    expect(reply.headers.get('allow')).toBe(allow);
  });

  it('also where a thread reads what was sent', async () => {
    const ines = await as('ines');
    expect((await ines.send('POST', '/api/promotions/preview', '{"promotion')).status).toBe(400);
    expect((await nobody().send('PUT', '/api/promotions/x', {})).status).toBe(401);
  });

  it('and where it is read by its head alone', async () => {
    const reply = await at('/api/health', { method: 'HEAD' });
    expect([reply.status, await reply.text()]).toEqual([200, '']);
  });
});

describe('what goes over', () => {
  const encoding = async (path: string, accepts: string) =>
    (await at(path, { headers: { 'accept-encoding': accepts } })).headers.get('content-encoding');
  it('is compressed as who asks takes it', async () => {
    const page = await (await at('/sign-in')).text();
    const style = /href="(\/_astro\/[^"]+\.css)"/.exec(page)![1]!;
    expect(await encoding('/sign-in', 'br')).toBe('br');
    expect(await encoding('/sign-in', 'gzip')).toBe('gzip');
    expect(await encoding('/sign-in', 'identity')).toBeNull();
    expect(await encoding(style, 'br')).toBe('br');
    expect((await at(style, { headers: { 'accept-encoding': 'br' } })).headers.get('cache-control')).toMatch(
      /immutable/,
    );
  });

  it('comes at once where it is told as it happens', async () => {
    const reply = await fetch(`${running().origin}/api/send/stream`, {
      headers: { cookie: await cookieOf('rufus'), 'accept-encoding': 'br, gzip' },
    });
    expect(reply.headers.get('content-encoding')).toBeNull();
    await reply.body!.cancel();
  });
});

describe('a request', () => {
  it('has a name, which the reply bears, and one line in the log', async () => {
    const reply = await at('/api/choices?secret=1', { headers: { cookie: await cookieOf('rufus') } });
    const name = reply.headers.get('x-request-id')!;
    const lines = await until(
      async () =>
        readFileSync('.data/log/test.log', 'utf8')
          .split('\n')
          .filter((one) => one.includes(name)),
      ({ length }) => length > 0,
    );
    expect(lines.map((line) => JSON.parse(line))).toEqual([
      expect.objectContaining({
        ...{ request: name, method: 'GET', path: '/api/choices', status: 200, ms: expect.any(Number) },
        ...{ person: expect.any(String), from: expect.stringMatching(/127\.0\.0\.1$/) },
      }),
    ]);
    expect(lines.join()).not.toContain('secret');
  });

  it('keeps the name that a proxy of ours gave it, and no odd one', async () => {
    const named = async (id: string, origin: string) =>
      (await at('/live', { headers: { 'x-request-id': id } }, origin)).headers.get('x-request-id');
    expect(await named('proxy-0001', apart.origin)).toBe('proxy-0001');
    expect(await named('<script>alert(1)</script>', apart.origin)).toMatch(/^[\w-]{36}$/);
    expect(await named('proxy-0001', running().origin)).not.toBe('proxy-0001');
  });
});

describe('who watches the server', () => {
  it('is told whether it lives, whether it is ready, and how it does', async () => {
    expect(await (await at('/live')).text()).toBe('live');
    expect(await (await at('/ready')).json()).toEqual({ ready: true });
    const text = await (await at('/metrics')).text();
    const measured = new Map(
      text
        .split('\n')
        .filter((line) => line !== '' && !line.startsWith('#'))
        .map((line) => [line.slice(0, line.lastIndexOf(' ')), Number(line.slice(line.lastIndexOf(' ')))]),
    );
    for (const name of [
      'belltag_questions_waiting',
      'belltag_questions_running',
      'belltag_terminals_behind_seconds',
      'belltag_terminals{state="silent"}',
    ])
      expect([name, measured.get(name)]).toEqual([name, expect.any(Number)]);
    expect(measured.get('belltag_threads_warm')).toBe(1);
    expect(measured.get('belltag_terminals{state="up-to-date"}')).toBeGreaterThan(0);
    expect(measured.get('belltag_terminals_held_seconds')).toBeGreaterThan(0);
    expect(
      measured.get('belltag_request_seconds_count{method="GET",kind="page",status="200"}'),
    ).toBeGreaterThan(0);
  });

  it('says the token where there is one', async () => {
    const status = async (headers: Record<string, string>) =>
      (await at('/metrics', { headers }, apart.origin)).status;
    expect(await status({})).toBe(401);
    expect(await status({ authorization: 'Bearer another' })).toBe(401);
    expect(await status({ authorization: `Bearer ${TOKEN}` })).toBe(200);
  });
});

it('a server that is to end does first what somebody pressed who has gone', async () => {
  const ending = await furtherServer({ BELLTAG_JOBS: '0', BELLTAG_DEMO: '1' });
  onTestFinished(() => void ending.process.kill('SIGKILL'));
  const atWork = async () =>
    Number(
      /^belltag_questions_running (\d+)/m.exec(await (await at('/metrics', {}, ending.origin)).text())?.[1],
    );
  const ready = async () => (await at('/ready', {}, ending.origin)).ok && (await atWork()) === 0;
  await until(ready, (is) => is);
  const api = await as('rufus');
  const newest = async () => (await api.get('/api/send/terminals')).body.rollouts[0].id as number;
  const before = await newest();
  const gone = ask(`${ending.origin}/api/send/anew`, {
    method: 'POST',
    headers: { ...JSON_TYPE, origin: ending.origin, cookie: await cookieOf('rufus', ending.origin) },
  });
  gone.on('error', () => {});
  gone.end('{}');
  await until(atWork, (count) => count > 0);
  gone.destroy();
  expect(await ending.stop()).toBe(0);
  expect(await newest()).toBeGreaterThan(before);
});
