import { describe, expect, it } from 'vitest';
import { as, signedIn } from '../application/client.ts';
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
