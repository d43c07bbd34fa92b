import { describe, expect, it } from 'vitest';
import { as, type Client, nobody, signedIn } from '../application/client.ts';
import { emailOf } from '../application/running.ts';
import { until } from '../application/until.ts';

const NELL = { name: 'Nell Arden', email: 'nell@quillmere.example' };
const PASSWORD = 'a long enough word';

/** The token of the newest letter to somebody. */
async function newestToken(basil: Client, to: string): Promise<string> {
  const page = (await basil.get<string>('/stockroom/letters')).body;
  const letter = page.slice(page.indexOf(`to ${to}`));
  return /\/password\?token=([\w-]+)/.exec(letter)![1]!;
}
const setPassword = (token: string, password = PASSWORD) =>
  nobody().send('POST', '/api/password', { token, password });
const idOf = async (basil: Client, email: string): Promise<string> =>
  (await basil.get('/api/people')).body.people.find((one: { email: string }) => one.email === email).id;

describe('somebody who is invited', () => {
  it('sets a password once, signs in, sees what they may, and is out at once when they are let in no more', async () => {
    const basil = await as('basil');
    const said = { name: NELL.name, role: 'store', costs: false, stores: ['s004'] };
    const invited = await basil.send('POST', '/api/people', { ...said, email: 'Nell@Quillmere.example' });
    expect(invited.status).toBe(201);
    const { id } = invited.body;
    expect((await signedIn(NELL.email, PASSWORD)).status).toBe(401);
    const token = await newestToken(basil, NELL.email);
    expect((await setPassword(token, 'short')).status).toBe(422);
    expect((await setPassword(token)).status).toBe(200);
    expect((await setPassword(token, 'another long word')).status).toBe(422);
    const nell = (await signedIn(NELL.email, PASSWORD)).client!;
    expect((await nell.get('/api/price?store=s004&item=Q103453&at=2026-12-01T09:00')).status).toBe(200);
    expect((await nell.get('/api/price?store=s005&item=Q103453&at=2026-12-01T09:00')).status).toBe(403);
    // What she may counts with her next press.
    const planner = { ...said, role: 'planner', costs: true, stores: [] };
    expect((await basil.send('PUT', `/api/people/${id}`, planner)).status).toBe(200);
    expect((await nell.get('/api/price?store=s005&item=Q103453&at=2026-12-01T09:00')).status).toBe(200);
    expect((await nell.get('/api/people')).status).toBe(403);
    await basil.send('POST', `/api/people/${id}/step`, { step: 'end' });
    expect((await nell.get('/api/price?store=s005&item=Q103453&at=2026-12-01T09:00')).status).toBe(401);
    expect((await signedIn(NELL.email, PASSWORD)).status).toBe(401);
    await basil.send('POST', `/api/people/${id}/step`, { step: 'return' });
    expect((await signedIn(NELL.email, PASSWORD)).status).toBe(200);
    const told = (await basil.get<string>('/check/history?part=chain')).body;
    for (const words of ['Nell Arden', 'made planner', 'let in no more', 'let in again'])
      expect(told).toContain(words);
  });

  it('is kept to the goods of some departments from the next press on, and no longer than it is said', async () => {
    const basil = await as('basil');
    const email = 'gil@quillmere.example';
    const said = { name: 'Gil Farrow', role: 'planner', costs: true, stores: [] };
    const { id } = (await basil.send('POST', '/api/people', { ...said, email })).body;
    expect((await setPassword(await newestToken(basil, email))).status).toBe(200);
    const gil = (await signedIn(email, PASSWORD)).client!;
    const keptTo = (goods?: string[]) =>
      basil.send('PUT', `/api/people/${id}`, { ...said, ...(goods ? { goods } : {}) });
    const draft = (node: string, name: string) =>
      gil.send('POST', '/api/promotions', {
        promotion: {
          ...{ id: `gil-${name}`, name: `Gil ${name}`, status: 'draft', when: { from: '2035-03-06T00:00' } },
          offer: { kind: 'priceChange', items: { node }, formula: { percentOff: 500 } },
        },
      });
    expect((await keptTo(['nowhere'])).body.faults).toEqual([expect.objectContaining({ path: '/goods' })]);
    expect((await keptTo(['sun-care'])).status).toBe(200);
    expect((await draft('teas', 'teas')).body.faults).toEqual([
      expect.objectContaining({
        path: '/offer/items',
        message: expect.stringContaining('not yours to price'),
      }),
    ]);
    expect((await draft('sun-care', 'sun')).status).toBe(201);
    // To look is another matter.
    expect((await gil.get('/api/promotions/face-week')).status).toBe(200);
    const row = (await basil.get('/api/people')).body.people.find((one: { id: string }) => one.id === id);
    expect(row.goods).toEqual(['sun-care']);
    expect((await keptTo()).status).toBe(200);
    expect((await draft('teas', 'teas-too')).status).toBe(201);
  });

  it('is refused an address that somebody has, a role that is none, and a store that is none', async () => {
    const basil = await as('basil');
    const said = { ...NELL, email: 'new@quillmere.example', role: 'viewer', costs: false, stores: [] };
    for (const [path, more] of [
      ['/email', { email: 'ines@quillmere.example' }],
      ['/email', { email: 'no address' }],
      ['/role', { role: 'owner' }],
      ['/stores', { role: 'store', stores: ['s999'] }],
    ] as const)
      expect((await basil.send('POST', '/api/people', { ...said, ...more })).body.faults).toEqual([
        expect.objectContaining({ path }),
      ]);
  });
});

describe('a new password', () => {
  it('signs out everywhere else, and is sent to whom it is for, whoever asks', async () => {
    const basil = await as('basil');
    const email = 'orla@quillmere.example';
    await basil.send('POST', '/api/people', {
      name: 'Orla',
      email,
      role: 'viewer',
      costs: false,
      stores: [],
    });
    const used = await newestToken(basil, email);
    await setPassword(used);
    const before = (await signedIn(email, PASSWORD)).client!;
    // Nobody is told whether somebody has the address.
    const asked = await nobody().send('POST', '/api/forgotten', { email });
    expect(asked).toEqual(await nobody().send('POST', '/api/forgotten', { email: 'none@quillmere.example' }));
    const token = await until(
      () => newestToken(basil, email),
      (newest) => newest !== used,
    );
    await setPassword(token, 'yet another word');
    expect((await before.get('/api/choices')).status).toBe(401);
    expect((await signedIn(email, PASSWORD)).status).toBe(401);
    expect((await signedIn(email, 'yet another word')).status).toBe(200);
    // One who is let in no more is sent nothing.
    await basil.send('POST', `/api/people/${await idOf(basil, email)}/step`, { step: 'end' });
    const newest = await newestToken(basil, email);
    const tove = emailOf('tove');
    const beforeThat = await newestToken(basil, tove).catch(() => null);
    await nobody().send('POST', '/api/forgotten', { email });
    await nobody().send('POST', '/api/forgotten', { email: tove });
    await until(
      () => newestToken(basil, tove).catch(() => null),
      (one) => one !== beforeThat,
    );
    expect(await newestToken(basil, email)).toBe(newest);
  });

  it('is asked for so often and no more', async () => {
    const ask = async () =>
      (await nobody().send('POST', '/api/forgotten', { email: 'brake@quillmere.example' })).status;
    const all: number[] = [];
    for (let i = 0; i < 8; i++) all.push(await ask());
    expect(all).toContain(429);
  });
});
