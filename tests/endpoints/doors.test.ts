import pg from 'pg';
import { afterEach, describe, expect, it } from 'vitest';
import { idInAddress } from '../../src/contracts/index.ts';
import { as, nobody } from '../application/client.ts';
import { emailOf, running } from '../application/running.ts';
import { change } from '../plans/small-plan.ts';

const at = (path: string, init: RequestInit = {}) =>
  fetch(running().origin + path, { redirect: 'manual', ...init });
const JSON_TYPE = { 'content-type': 'application/json' };
const signIn = (email: string, password: string, headers: Record<string, string> = {}) =>
  at('/api/sign-in', {
    method: 'POST',
    headers: { origin: running().origin, ...JSON_TYPE, ...headers },
    body: JSON.stringify({ email, password }),
  });
const cookiesOf = (reply: Response) =>
  reply.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
const PASSWORD = 'quillmere-demo';

describe('headers of a page', () => {
  it.each(['/sign-in', '/today', '/api/health', '/api/choices', '/nowhere'])(
    'keep a browser safe at %s',
    async (path) => {
      const { headers } = await at(path);
      const policy = headers.get('content-security-policy')!;
      expect(policy).toMatch(/default-src 'self'/);
      expect(policy).toMatch(/frame-ancestors 'none'/);
      expect(policy.match(/script-src ([^;]*)/)![1]).not.toMatch(/unsafe|\*|http|data:/);
      expect(Object.fromEntries(headers)).toMatchObject({
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'same-origin',
        'cache-control': 'no-store',
      });
    },
  );
  it('let files of ours be kept, and nothing be taken for a script that is none', async () => {
    const page = await (await at('/sign-in')).text();
    const script = /src="(\/_astro\/[^"]+\.js)"/.exec(page)![1]!;
    const { headers } = await at(script);
    expect(headers.get('cache-control')).toMatch(/immutable/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
  });
  it('and no script stands in the sign-in page, whatever its address says', async () => {
    for (const next of [
      '</SCRIPT><ScRiPt>alert(1)</sCrIpT>',
      '"><img src=x onerror=alert(1)>',
      '/\t/elsewhere.example',
      '//elsewhere.example',
    ]) {
      const page = await (await at(`/sign-in?next=${encodeURIComponent(next)}`)).text();
      expect(page).not.toMatch(/alert\(1\)|elsewhere\.example/);
      expect(page).toContain('data-next="/today"');
      expect(page).not.toMatch(/<script(?![^>]*\bsrc=)[^>]*>\s*\S/);
    }
  });
});

it('the cookie of a session is kept from scripts, and from requests of other sites', async () => {
  const [cookie = ''] = (await signIn(emailOf('odile'), PASSWORD)).headers.getSetCookie();
  expect(cookie).toMatch(/; HttpOnly/i);
  expect(cookie).toMatch(/; SameSite=Lax/i);
});

describe('signing out', () => {
  it('ends the session and takes the cookie, as a page asks for it: with nothing in the request', async () => {
    const cookie = cookiesOf(await signIn(emailOf('odile'), PASSWORD));
    const choices = () => at('/api/choices', { headers: { cookie } });
    expect((await choices()).status).toBe(200);
    const out = await at('/api/sign-out', { method: 'POST', headers: { cookie, origin: running().origin } });
    expect(out.status).toBe(200);
    expect(out.headers.getSetCookie().join()).toMatch(/Max-Age=0/);
    // The cookie that somebody kept is worth nothing any more.
    expect((await choices()).status).toBe(401);
  });
  it('happens to the old session of a browser that signs in anew', async () => {
    const before = cookiesOf(await signIn(emailOf('odile'), PASSWORD));
    const after = cookiesOf(await signIn(emailOf('ines'), PASSWORD, { cookie: before }));
    expect((await at('/api/choices', { headers: { cookie: before } })).status).toBe(401);
    expect((await at('/api/choices', { headers: { cookie: after } })).status).toBe(200);
  });
});

describe('a password', () => {
  // Others sign in as the same people after this.
  afterEach(async () => {
    const client = new pg.Client({ connectionString: running().databaseUrl });
    await client.connect();
    await client.query('truncate sign_in_try');
    await client.end();
  });

  it('cannot be tried again and again: the right one waits, too', async () => {
    const email = 'basil@quillmere.example';
    const statuses: number[] = [];
    for (let i = 0; i < 7; i++) statuses.push((await signIn(email, `wrong-${i}`)).status);
    expect(statuses).toEqual([401, 401, 401, 401, 401, 429, 429]);
    const right = await signIn(email, PASSWORD);
    expect(right.status).toBe(429);
    expect(Number(right.headers.get('retry-after'))).toBeGreaterThan(0);
    expect((await right.json()).detail).toMatch(/too many tries/i);
  });
  it('of nobody is refused in the same words', async () => {
    const nobodys = await signIn('nobody@quillmere.example', 'wrong');
    const somebodys = await signIn(emailOf('tove'), 'wrong');
    expect([nobodys.status, await nobodys.json()]).toEqual([somebodys.status, await somebodys.json()]);
  });
});

describe('a request that a page of another site begins', () => {
  it.each(['/api/sign-out', '/api/demo-sign-in', '/api/sign-in', '/api/promotions', '/api/send'])(
    'is not done at %s',
    async (path) => {
      const reply = await at(path, {
        method: 'POST',
        headers: { origin: 'https://elsewhere.example', 'content-type': 'text/plain' },
        body: '{}',
      });
      expect(reply.status).toBe(403);
    },
  );
  it('presses no button of a till', async () => {
    const reply = await fetch(`${running().tillPage}/till/s020-1/control`, {
      method: 'POST',
      headers: { origin: 'https://elsewhere.example' },
      body: new URLSearchParams({ on: '0' }),
      redirect: 'manual',
    });
    expect(reply.status).toBe(403);
  });
});

describe('an id', () => {
  const ODD = [
    'a/b',
    'a?b',
    'a#b',
    'a&b',
    'a+b',
    'a,b',
    'a:b',
    'a;b',
    'a=b',
    'a@b',
    'a$b',
    'a%b',
    'a%2Fb',
    'ä b',
    '~a',
    "a'b",
    '.hidden',
  ];
  it.each(ODD)('%s can be saved and opened, written in either way', async (odd) => {
    const ines = await as('ines');
    const id = `odd ${odd}`;
    const promotion = {
      ...change(id),
      status: 'draft',
      where: { all: true },
      offer: { ...change('x').offer, items: { node: 'teas' } },
    };
    expect((await ines.send('POST', '/api/promotions', { promotion })).status).toBe(201);
    for (const part of [encodeURIComponent(id), idInAddress(id)]) {
      expect((await ines.get(`/api/promotions/${part}`)).body).toMatchObject({
        promotion: { id },
        revision: 1,
      });
      expect((await ines.get(`/plan/${part}`)).status).toBe(200);
    }
    const set = { id: `set ${odd}`, name: 'Odd', rule: { all: true } };
    const path = `/api/stockroom/itemSets/${idInAddress(set.id)}`;
    expect((await ines.send('PUT', path, { entry: set, was: null })).status).toBe(200);
    expect((await ines.get(`/stockroom/set/${idInAddress(set.id)}`)).status).toBe(200);
  });
  it.each(['many', 'new', '.', '..', 'calendar', 'preview'])(
    'cannot be “%s”, which is a page or an action',
    async (id) => {
      const promotion = {
        ...change(id),
        status: 'draft',
        where: { all: true },
        offer: { ...change('x').offer, items: { node: 'teas' } },
      };
      const { status, body } = await (await as('ines')).send('POST', '/api/promotions', { promotion });
      expect([status, body.faults[0].path]).toEqual([422, '/id']);
    },
  );
  it.each([
    '/api/promotions/%00',
    '/api/templates/x',
    '/api/templates/1e9',
    '/api/basket-checks/99999999999',
    '/plan/%00',
    '/api/promotions/%zz',
  ])('that none can be is nobody’s: %s', async (path) => {
    const ines = await as('ines');
    const { status } =
      path.includes('templates') || path.includes('checks')
        ? await ines.send('DELETE', path, {})
        : await ines.get(path);
    expect([400, 404]).toContain(status);
  });
});

describe('what comes in and is too much', () => {
  const stream = (megabytes: number) => {
    let left = megabytes;
    return new ReadableStream({
      pull: (controller) =>
        left-- > 0 ? controller.enqueue(new Uint8Array(1_000_000).fill(32)) : controller.close(),
    });
  };
  it.each(['/api/sign-in', '/api/demo-sign-in'])('is told so at %s, without an account', async (path) => {
    const reply = await at(path, {
      method: 'POST',
      headers: { ...JSON_TYPE },
      body: stream(20),
      duplex: 'half',
    } as RequestInit);
    expect(reply.status).toBe(413);
    expect((await reply.json()).detail).toMatch(/at most 4 kB/);
  });
  it('is told so for a promotion, and nothing deep or broken is followed', async () => {
    const ines = await as('ines');
    const preview = (body: string) => ines.send('POST', '/api/promotions/preview', body);
    expect((await preview(' '.repeat(7_000_000))).status).toBe(413);
    expect(
      (await preview(`{"promotion":{"notes":${'['.repeat(100_000)}${']'.repeat(100_000)}}}`)).status,
    ).toBe(422);
    expect((await preview('{"promotion":{"notes":"\\u0000"}}')).status).toBe(422);
    expect((await preview('{"promotion":{"notes":"\\ud800"}}')).status).toBe(422);
    expect((await preview('{"promotion"')).status).toBe(400);
  });
  it.each([
    'FREQ=DAILY;INTERVAL=-1',
    'FREQ=DAILY;INTERVAL=abc',
    'FREQ=HOURLY;BYMONTH=2;BYMONTHDAY=30',
    'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30',
  ])('as a rule is refused at once: %s', async (rrule) => {
    const ines = await as('ines');
    const promotion = {
      ...change('endless'),
      where: { all: true },
      when: { from: '2027-03-01T09:00', repeat: { rrule, duration: 'PT2H' } },
      offer: { ...change('x').offer, items: { node: 'teas' } },
    };
    for (const path of ['/api/promotions/preview', '/api/promotions']) {
      const { status, body } = await ines.send('POST', path, { promotion });
      expect([status, body.faults[0].path]).toEqual([422, '/when/repeat/rrule']);
    }
  });
});

it('a file is not opened for somebody who may not bring it in', async () => {
  const { status } = await (await as('ines')).upload(
    '/api/stockroom/stores/file',
    new Uint8Array([0x50, 0x4b, 1]),
  );
  expect(status).toBe(403);
});

it('who is not signed in is told so before anything that they sent is looked at', async () => {
  expect((await nobody().send('POST', '/api/stockroom/items/file', 'x'.repeat(100))).status).toBe(401);
});
