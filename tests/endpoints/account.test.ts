import { describe, expect, it } from 'vitest';
import { as, nobody, signedIn } from '../application/client.ts';
import { oneTimeCode } from '../application/one-time-code.ts';
import { until } from '../application/until.ts';

const FIRST = 'a-password-of-mine';
const SECOND = 'another-one-of-mine';

/** Somebody of this test alone, who has set the first password. */
async function invited(email: string): Promise<string> {
  const basil = await as('basil');
  const { body } = await basil.send('POST', '/api/people', {
    ...{ name: 'Nell', email, role: 'viewer', costs: false, stores: [] },
  });
  const letters = await until(
    async () => (await basil.get<string>('/stockroom/letters')).body,
    (page) => page.includes(email),
  );
  const token = new RegExp(`${email}[\\s\\S]*?token=([\\w-]+)`).exec(letters)![1];
  expect((await basil.send('POST', '/api/password', { token, password: FIRST })).status).toBe(200);
  return body.id;
}
const entered = async (email: string, password = FIRST) => (await signedIn(email, password)).client!;
const sessions = async (client: Awaited<ReturnType<typeof entered>>) =>
  (await client.get('/api/account/sessions')).body.sessions as {
    id: string;
    here: boolean;
    address: string;
  }[];

describe('where somebody is signed in', () => {
  it('is told with the address that we saw, and ended at one place or at all others', async () => {
    const email = 'nell.sessions@quillmere.example';
    await invited(email);
    const [here, there, elsewhere] = [await entered(email), await entered(email), await entered(email)];
    const [mine, ...others] = await sessions(here);
    expect(mine).toMatchObject({ here: true, address: expect.stringMatching(/127\.0\.0\.1|::1/) });
    expect(others).toHaveLength(2);
    const theirs = (await sessions(there))[0]!.id;
    const end = (asked: object) => here.send('DELETE', '/api/account/sessions', asked);
    expect(await end({ id: theirs })).toEqual({ status: 200, body: { ended: 1 } });
    expect((await there.get('/api/choices')).status).toBe(401);
    expect((await elsewhere.get('/api/choices')).status).toBe(200);
    expect((await end({ id: theirs })).status).toBe(404);
    expect((await end({})).status).toBe(422);
    expect((await (await as('ines')).send('DELETE', '/api/account/sessions', { id: mine!.id })).status).toBe(
      404,
    );
    expect(await end({ others: true })).toEqual({ status: 200, body: { ended: 1 } });
    expect((await elsewhere.get('/api/choices')).status).toBe(401);
    expect((await here.get('/api/choices')).status).toBe(200);
  });

  it('is ended by an administrator at all places', async () => {
    const email = 'nell.out@quillmere.example';
    const id = await invited(email);
    const client = await entered(email);
    const step = { step: 'sign-out' };
    expect((await (await as('ines')).send('POST', `/api/people/${id}/step`, step)).status).toBe(403);
    expect((await (await as('basil')).send('POST', `/api/people/${id}/step`, step)).status).toBe(200);
    expect((await client.get('/api/choices')).status).toBe(401);
    expect((await signedIn(email, FIRST)).status).toBe(200);
  });
});

describe('a password', () => {
  it('is changed by who knows it, who is signed out everywhere else', async () => {
    const email = 'nell.password@quillmere.example';
    await invited(email);
    const [here, there] = [await entered(email), await entered(email)];
    const change = (current: string, password: string) =>
      here.send('POST', '/api/account/password', { current, password });
    expect(await change('not-my-password', SECOND)).toMatchObject({
      ...{ status: 422, body: { faults: [{ path: '/current' }] } },
    });
    expect((await change(FIRST, 'short')).status).toBe(422);
    expect((await there.get('/api/choices')).status).toBe(200);
    expect((await change(FIRST, SECOND)).status).toBe(200);
    expect((await there.get('/api/choices')).status).toBe(401);
    expect((await signedIn(email, FIRST)).status).toBe(401);
    expect((await signedIn(email, SECOND)).status).toBe(200);
  });

  it('is not guessed by who sits down at an open desk', async () => {
    const email = 'nell.guessed@quillmere.example';
    await invited(email);
    const here = await entered(email);
    const statuses: number[] = [];
    for (let i = 0; i < 12; i++)
      statuses.push(
        (await here.send('POST', '/api/account/password', { current: `guess-${i}`, password: SECOND }))
          .status,
      );
    expect(statuses[0]).toBe(422);
    expect(statuses.at(-1)).toBe(429);
  });
});

describe('a second step', () => {
  const STEP = '/api/account/second-step';
  const NEVER = '000000';

  it('counts from the first code on, lets in by device or by a code for a lost one, each once, and is ended', async () => {
    const email = 'nell.second@quillmere.example';
    await invited(email);
    const nell = await entered(email);
    expect((await nell.send('POST', STEP, { password: 'not-my-password' })).body.faults).toEqual([
      expect.objectContaining({ path: '/password' }),
    ]);
    const { secret, codes, picture } = (await nell.send('POST', STEP, { password: FIRST })).body;
    expect(picture).toMatch(/^<svg /);
    expect(codes).toHaveLength(10);
    // Nobody is locked out by what they never finished.
    expect((await (await entered(email)).get('/api/choices')).status).toBe(200);
    expect((await nell.send('PUT', STEP, { code: NEVER })).status).toBe(401);
    const first = oneTimeCode(secret);
    expect((await nell.send('PUT', STEP, { code: first })).status).toBe(200);
    expect((await nell.get(STEP)).body).toEqual({ on: true, codesLeft: 10 });

    const half = await entered(email);
    expect((await half.get('/api/choices')).status).toBe(401);
    const second = (client: typeof half, code: string) => client.send('POST', '/api/second-step', { code });
    expect((await second(half, NEVER)).status).toBe(401);
    // The one that confirmed it was seen over a shoulder.
    expect((await second(half, first)).status).toBe(401);
    const again = await entered(email);
    const next = oneTimeCode(secret, 1);
    expect((await second(again, next)).status).toBe(200);
    expect((await again.get('/api/choices')).status).toBe(200);
    expect((await second(await entered(email), next)).status).toBe(401);

    const lost = await entered(email);
    expect((await second(lost, codes[0])).status).toBe(200);
    expect((await second(await entered(email), codes[0])).status).toBe(401);
    expect((await lost.get(STEP)).body).toEqual({ on: true, codesLeft: 9 });
    expect((await lost.send('DELETE', STEP, { password: FIRST })).status).toBe(200);
    expect((await (await entered(email)).get('/api/choices')).status).toBe(200);
  });

  it('is refused to who was asked for no password, and after a few wrong codes', async () => {
    const email = 'nell.tries@quillmere.example';
    await invited(email);
    const nell = await entered(email);
    const { secret } = (await nell.send('POST', STEP, { password: FIRST })).body;
    await nell.send('PUT', STEP, { code: oneTimeCode(secret) });
    const nobodyYet = { code: oneTimeCode(secret, 1) };
    expect((await nobody().send('POST', '/api/second-step', nobodyYet)).status).toBe(401);
    const half = await entered(email);
    for (let i = 0; i < 5; i++) await half.send('POST', '/api/second-step', { code: NEVER });
    expect((await half.send('POST', '/api/second-step', nobodyYet)).body).toMatchObject({ over: true });
  });

  it('is taken away by an administrator from who lost everything, which the trail tells', async () => {
    const email = 'nell.lost@quillmere.example';
    const id = await invited(email);
    const nell = await entered(email);
    const { secret } = (await nell.send('POST', STEP, { password: FIRST })).body;
    await nell.send('PUT', STEP, { code: oneTimeCode(secret) });
    const step = (name: 'ines' | 'basil') =>
      as(name).then((one) => one.send('POST', `/api/people/${id}/step`, { step: 'one-step' }));
    expect((await step('ines')).status).toBe(403);
    const basil = await as('basil');
    const row = async () =>
      (await basil.get('/api/people')).body.people.find((one: { id: string }) => one.id === id);
    expect(await row()).toMatchObject({ secondStep: true });
    expect((await step('basil')).status).toBe(200);
    expect(await row()).toMatchObject({ secondStep: false });
    expect((await (await entered(email)).get('/api/choices')).status).toBe(200);
    expect((await basil.get<string>('/check/history?part=chain')).body).toContain('second step taken away');
  });

  it('is begun before anything else by whom the chain asks it of, once the day has come', async () => {
    const email = 'nell.asked@quillmere.example';
    const basil = await as('basil');
    await invited(email);
    await basil.send('PUT', `/api/people/${(await idsOf(basil)).get(email)}`, {
      ...{ name: 'Nell', role: 'administrator', costs: true, stores: [] },
    });
    const nell = await entered(email);
    const { secret } = (await nell.send('POST', STEP, { password: FIRST })).body;
    await nell.send('PUT', STEP, { code: oneTimeCode(secret) });
    const demand = (client: typeof nell, secondStep: object | null) =>
      client.send('PUT', '/api/work-rules', { secondStep });
    expect((await demand(await as('ines'), null)).status).toBe(403);
    for (const wrong of [
      { of: 'administrators' },
      { of: 'some', from: '2026-01-01' },
      { of: 'everybody', from: '2026-02-30' },
    ])
      expect([wrong, (await demand(basil, wrong)).status]).toEqual([wrong, 422]);
    try {
      const day = { of: 'administrators', from: '2099-01-01' };
      expect((await demand(basil, day)).body).toMatchObject({ another: true, secondStep: day });
      expect((await basil.get<string>('/today')).body).toContain('asks a second step of your sign-in');
      expect((await (await as('ines')).get<string>('/today')).body).not.toContain('asks a second step');
      await demand(basil, { of: 'administrators', from: '2026-01-01' });
      expect(await basil.get('/api/people')).toMatchObject({
        status: 403,
        body: { type: 'urn:belltag:problem:second-step' },
      });
      expect((await basil.get('/plan')).status).toBe(302);
      expect((await basil.get<string>('/second-step')).body).toContain('A second step first');
      // What it is not asked of goes on, as does who has it.
      expect((await (await as('ines')).get('/api/choices')).status).toBe(200);
      expect((await nell.get('/api/people')).body.secondStep).toEqual({
        of: 'administrators',
        from: '2026-01-01',
      });
      // The way to it is open.
      expect((await basil.get(STEP)).body).toMatchObject({ on: false });
    } finally {
      expect((await demand(nell, null)).status).toBe(200);
    }
    expect((await basil.get('/api/people')).status).toBe(200);
    expect((await basil.get('/second-step')).status).toBe(302);
    const history = (await basil.get<string>('/check/history?part=chain')).body;
    expect(history).toContain('Second step of the sign-in');
  });
});

const idsOf = async (client: Awaited<ReturnType<typeof entered>>) =>
  new Map<string, string>(
    (await client.get('/api/people')).body.people.map((one: { id: string; email: string }) => [
      one.email,
      one.id,
    ]),
  );
