import { generateKeyPairSync } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { as } from '../application/client.ts';
import { type Known, type TestDirectory, testDirectory } from '../application/directory.ts';
import { type FurtherServer, furtherServer } from '../application/further-server.ts';
import { running } from '../application/running.ts';

let directory: TestDirectory;
let server: FurtherServer;
beforeAll(async () => {
  directory = await testDirectory();
  server = await furtherServer({ ...directory.told, BELLTAG_DEMO: '1' });
});
beforeEach(() => {
  directory.wrong = {};
});
afterAll(async () => {
  directory.close();
  await server.stop();
});

const known = (name: string, more: Partial<Known> = {}): Known => ({
  sub: `sub-${name}`,
  email: `${name}@quillmere.example`,
  email_verified: true,
  name: `${name} of the directory`,
  ...more,
});

async function invite(name: string): Promise<string> {
  const said = { name, email: `${name}@quillmere.example`, role: 'planner', costs: true, stores: [] };
  const { status, body } = await (await as('basil')).send('POST', '/api/people', said);
  expect(status).toBe(201);
  return body.id;
}

const cookiesOf = (reply: Response): string =>
  reply.headers
    .getSetCookie()
    .filter((cookie) => !/max-age=0\b/i.test(cookie))
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
const ask = (path: string, init: RequestInit = {}) =>
  fetch(new URL(path, server.origin), { redirect: 'manual', ...init });

async function begin(said: object = {}): Promise<{ reply: Response; url: string; cookie: string }> {
  const reply = await ask('/api/directory', {
    method: 'POST',
    headers: { origin: server.origin, 'content-type': 'application/json' },
    body: JSON.stringify(said),
  });
  const { url = '' } = (await reply.clone().json()) as { url?: string };
  return { reply, url, cookie: cookiesOf(reply) };
}

/** The directory's answer, as the browser is sent back with it. */
const answerOf = async (url: string): Promise<string> => (await ask(url)).headers.get('location')!;

/** From the sign-in page to the directory and back. @returns where one comes to, and what is kept. */
async function comeIn(who: Known | null, said: object = {}) {
  directory.sitting = who;
  const { url, cookie } = await begin(said);
  const back = await ask(await answerOf(url), { headers: { cookie } });
  return { at: back.headers.get('location'), cookie: cookiesOf(back) };
}
const accountOf = async (cookie: string): Promise<string> => {
  const page = await ask('/account', { headers: { cookie } });
  return page.status === 200 ? page.text() : String(page.headers.get('location'));
};

describe("the chain's own directory of people", () => {
  it('is not waited for where it is silent, and asked anew once it answers', async () => {
    directory.wrong = { silent: true };
    const { reply } = await begin();
    expect(reply.status).toBe(503);
    expect(await reply.json()).toMatchObject({
      detail: "Quillmere's directory does not answer just now. Try again, or sign in with your password.",
    });
    // Whoever has a password, or is in, waits for nothing.
    expect((await (await as('ines', server.origin)).get('/api/account/second-step')).status).toBe(200);
    directory.wrong = {};
    expect((await begin()).url).toMatch(`${directory.issuer}/authorize?`);
  });

  it('lets in whom somebody has invited, and knows them again by what it calls them', async () => {
    await invite('wilma');
    const first = await comeIn(known('wilma'), { next: '/plan?q=sun' });
    expect(first.at).toBe('/plan?q=sun');
    expect(await accountOf(first.cookie)).toContain('wilma@quillmere.example');
    // Its name and its address for her may change; who she is here stays.
    const again = await comeIn(known('wilma', { email: 'wilma.new@quillmere.example' }));
    expect(again.at).toBe('/today');
    expect(await accountOf(again.cookie)).toContain('wilma@quillmere.example');
  });

  it.each([
    ['//elsewhere.example', '/today'],
    ['https://elsewhere.example/', '/today'],
    ['/check', '/check'],
  ])('leads to %s as %s', async (next, at) => {
    await invite(`next${at.length}${next.length}`);
    expect((await comeIn(known(`next${at.length}${next.length}`), { next })).at).toBe(at);
  });

  it('is told nothing that it could keep: of an account only the name by which it knows somebody', async () => {
    directory.sitting = known('nobody-here');
    const { url } = await begin();
    expect([...new URL(url).searchParams.keys()].sort()).toEqual(
      [
        ...['client_id', 'code_challenge', 'code_challenge_method', 'nonce'],
        ...['redirect_uri', 'response_type', 'scope', 'state'],
      ].sort(),
    );
  });

  it.each<[string, Known | null, string]>([
    ['who says no there', null, 'said-no'],
    ['whom nobody has invited', known('stranger'), 'not-invited'],
    ['whose address it has not confirmed', known('rufus', { email_verified: false }), 'not-confirmed'],
  ])('does not let in %s', async (_, who, why) => {
    const { at, cookie } = await comeIn(who);
    expect(at).toBe(`/sign-in?directory=${why}`);
    expect(await accountOf(cookie)).toMatch(/^\/sign-in/);
  });

  it('is asked for a second step as it sees fit: what the chain asks of a password is not asked again', async () => {
    await invite('xenia');
    const { cookie } = await comeIn(known('xenia'));
    const db = new pg.Client({ connectionString: running().databaseUrl });
    await db.connect();
    try {
      await db.query(`update chain set second_step = '{"of":"everybody","from":"2026-01-01"}'`);
      expect(await accountOf(cookie)).toContain('xenia@quillmere.example');
      expect((await (await as('ines')).get('/api/choices')).status).toBe(403);
    } finally {
      await db.query('update chain set second_step = null');
      await db.end();
    }
  });

  it('does not let in who is let in no more, at once', async () => {
    const id = await invite('ended');
    const { cookie } = await comeIn(known('ended'));
    expect(await accountOf(cookie)).toContain('ended@quillmere.example');
    await (await as('basil')).send('POST', `/api/people/${id}/step`, { step: 'end' });
    expect(await accountOf(cookie)).toMatch(/^\/sign-in/);
    const again = await comeIn(known('ended'));
    expect(again.at).toBe('/sign-in?directory=not-let-in');
    expect(await accountOf(again.cookie)).toMatch(/^\/sign-in/);
  });

  const { privateKey: other } = generateKeyPairSync('rsa', { modulusLength: 2048 });
  it.each<[string, TestDirectory['wrong']]>([
    ['signed by somebody else', { key: other }],
    ['meant for another', { claims: { aud: 'another' } }],
    ['of another issuer', { claims: { iss: 'https://elsewhere.example' } }],
    ['over', { claims: { exp: 1_000 } }],
    ['for another browser', { claims: { nonce: 'another' } }],
  ])('does not count where what it says is %s', async (_, wrong) => {
    directory.wrong = wrong;
    const { at, cookie } = await comeIn(known('wilma'));
    directory.wrong = {};
    expect(at).toBe('/sign-in?directory=no-answer');
    expect(await accountOf(cookie)).toMatch(/^\/sign-in/);
  });

  it('does not let in another browser with the answer, nor anybody with it twice', async () => {
    directory.sitting = known('wilma');
    const { url, cookie } = await begin();
    const answer = await answerOf(url);
    const stolen = await ask(answer);
    expect(stolen.headers.get('location')).toBe('/sign-in?directory=too-late');
    const own = await ask(answer, { headers: { cookie } });
    expect(own.headers.get('location')).toBe('/today');
    const twice = await ask(answer, { headers: { cookie } });
    expect(twice.headers.get('location')).toBe('/sign-in?directory=no-answer');
  });

  it('stands on the sign-in page with why nobody was let in, and only where there is one', async () => {
    const page = await (await ask('/sign-in?directory=not-invited')).text();
    expect(page).toContain('not here yet. Ask your administrator');
    expect(page).toMatch(/Sign in by Quillmere(&#39;|')s directory/);
    const made = await (await ask('/sign-in?directory=%3Cscript%3E')).text();
    expect(made).not.toContain('role="alert" class="border-error');
  });
});
