import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { as, nobody, program, saveApproved } from '../application/client.ts';
import { sendTo } from '../application/send-to.ts';
import { closeBasket, controlTill, ringAtTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';

const STORE = 's026';
const TILL = 's026-1';
const LINES = [{ sku: 'Q100042', quantity: 1 }];
let fresh = 0;
/** Somebody of whom nobody has heard. */
const somebody = (more: object = {}) => {
  const name = `Wenna Ashgrove ${++fresh}`;
  return { name, email: `wenna.${fresh}@letters.example`, groups: ['members'], card: null, ...more };
};
async function known(more: object = {}) {
  const asked = somebody(more);
  const { status, body } = await (await as('ines')).send('POST', '/api/shoppers', asked);
  expect([status, body]).toEqual([201, { id: expect.stringMatching(/^\d+$/), card: expect.anything() }]);
  return { ...asked, ...(body as { id: string; card: string }) };
}
const shopper = async (id: string) => (await (await as('ines')).get(`/api/shoppers/${id}`)).body;
const rung = async (basket: string, card?: string) =>
  (await ringAtTill(TILL, { id: basket, lines: LINES, ...(card === undefined ? {} : { card }) })).body;

beforeAll(async () => {
  await saveApproved({
    ...change('twice-each'),
    when: { from: '2026-11-01T00:00', to: '2027-06-01T20:00' },
    where: { stores: [STORE] },
    who: { groups: ['members'] },
    uses: { perShopper: 2 },
    offer: { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', amountOff: '1.00' }] },
  } as never);
  await sendTo([STORE], [TILL]);
});
afterAll(async () => {
  await controlTill(TILL, { on: '1' });
});

describe('a file of people', () => {
  const bring = async (text: string, more = '', name: 'ines' | 'tove' = 'ines') =>
    (await as(name)).upload(`/api/shoppers/people${more}`, Buffer.from(text));

  it('makes them known after it was looked at, at the tills too, and comes back out', async () => {
    const { name, email } = somebody();
    const file = `Name;E-mail;Kinds of shopper;Card\n${name};${email};Members;LEAF-${fresh}-77\n`;
    const told = async (more: string) => (await bring(file, more)).body;
    expect(await told('?dry=1')).toMatchObject({ kind: 'result', result: { added: 1, done: false } });
    expect(await told('')).toMatchObject({ kind: 'result', result: { added: 1, done: true } });
    const found = await (await as('ines')).send('POST', '/api/shoppers/find', { text: name });
    expect(found.body).toMatchObject({ found: [{ name, groups: ['Members'] }] });
    expect((await rung('basket-filed', `leaf ${fresh} 77`)).card).toMatchObject({ state: 'known' });
    const out = await (await as('ines')).get('/api/shoppers/people?kind=csv');
    expect(out.body).toContain(`${name},${email},Members`);
  });

  it('of many stands in the trail as one, with how many', async () => {
    const rows = Array.from({ length: 201 }, (_, i) => `many.${i}@letters.example;Students`);
    const { body } = await bring(['E-mail;Kinds of shopper', ...rows].join('\n'));
    expect(body).toMatchObject({ result: { added: 201, done: true } });
    const { body: trail } = await (await as('ines')).get('/check/history');
    expect(trail).toContain('All known shoppers');
    expect(trail).toMatch(/Made known[\s\S]{0,200}201/);
  });

  it('is refused with a column that nobody chose, and to whoever may not see people', async () => {
    expect((await bring('E-mail\nx@y.example', '?matching=7')).status).toBe(422);
    expect((await bring('E-mail\nx@y.example', '', 'tove')).status).toBe(403);
  });
});

describe('a card at a till', () => {
  it('makes the prices of whoever holds it, and what they buy counts for them', async () => {
    const { id, card } = await known();
    const guest = await rung('basket-guest');
    const theirs = await rung('basket-known', card);
    expect(theirs.card).toEqual({ lastDigits: card.slice(-4), state: 'known' });
    expect(Number(theirs.rung.receipt.total)).toBeLessThan(Number(guest.rung.receipt.total));
    expect([guest.rung.lists, theirs.rung.lists]).toEqual([[null], ['Members']]);
    expect(theirs.rung.receipt.rewards).toMatchObject([{ promotion: 'twice-each' }]);
    await closeBasket(TILL, 'basket-known', 'paid');
    const seen = await until(
      () => shopper(id),
      ({ orders }) => orders === 1,
    );
    expect(seen).toMatchObject({
      spent: theirs.rung.receipt.total,
      orderList: [{ terminal: TILL, paid: theirs.rung.receipt.total }],
    });
    expect(seen.promotions).toContainEqual(
      expect.objectContaining({
        id: 'twice-each',
        uses: [{ of: 'receipts', taken: 1, most: 2, every: null }],
      }),
    );
    await rung('basket-second', card);
    await closeBasket(TILL, 'basket-second', 'paid');
    await until(
      () => shopper(id),
      ({ orders }) => orders === 2,
    );
    expect((await rung('basket-third', card)).rung.receipt.rewards).toEqual([]);
    expect((await rung('basket-other', (await known()).card)).rung.receipt.rewards).toHaveLength(1);
  });

  it('that is of nobody, or lost, is a guest’s', async () => {
    expect((await rung('basket-nobody', '2990000000000000')).card).toMatchObject({ state: 'unknown' });
    const { id, card } = await known({ groups: ['students'] });
    expect((await rung('basket-lost', card)).card.state).toBe('known');
    expect((await (await as('ines')).send('DELETE', `/api/shoppers/${id}/cards`, {})).status).toBe(200);
    expect((await rung('basket-lost', card)).card.state).toBe('unknown');
  });

  it('rings on where somebody is of a kind that was made after the till was sent its prices', async () => {
    const made = { edits: [{ key: null, cells: { id: 'made-since', name: 'Made since' } }], drops: [] };
    const { body } = await (await as('basil')).send('POST', '/api/stockroom/shopperGroups', made);
    const approve = { step: 'approve' };
    if (body.waits !== null)
      await (await as('rufus')).send('POST', `/api/waiting-entries/${body.waits}`, approve);
    const { card } = await known({ groups: ['members', 'made-since'] });
    const theirs = await rung('basket-since', card);
    expect([theirs.card.state, theirs.rung.lists]).toEqual(['known', ['Members']]);
  });

  it('that is blank makes a member, also at a till that is cut off, and is told when it is back', async () => {
    const blank = '2750900000017';
    await controlTill(TILL, { on: '0' });
    const cutOff = await rung('basket-blank', blank);
    expect(cutOff.card).toEqual({ lastDigits: '0017', state: 'blank' });
    expect(cutOff.rung.lists).toEqual(['Members']);
    // A limit of each shopper is not given away by a till that cannot count.
    expect(cutOff.rung.receipt.rewards).toEqual([]);
    const other = (await known()).card.replace(/^2750/, '2990');
    expect((await rung('basket-strange', other)).card.state).toBe('unchecked');
    await closeBasket(TILL, 'basket-blank', 'paid');
    await controlTill(TILL, { on: '1' });
    const found = await until(
      async () => (await (await as('ines')).send('POST', '/api/shoppers/find', { text: blank })).body.found,
      (all: { orders: number }[]) => all[0]?.orders === 1,
    );
    expect(found).toMatchObject([{ name: null, groups: ['Members'], orders: 1 }]);
  });
});

describe('terms of somebody’s own', () => {
  it('reach the till with what is sent next, through the account that they belong to', async () => {
    const ines = await as('ines');
    const { id, card } = await known({ groups: [] });
    const before = await rung('basket-before', card);
    const terms = { account: 'wrenfield', priceList: null };
    // What somebody pays is looked at by somebody else before it counts.
    const { waits } = (await ines.send('POST', `/api/shoppers/${id}/terms`, terms)).body;
    expect([waits, (await shopper(id)).account]).toEqual([expect.any(Number), null]);
    const approve = { step: 'approve' };
    expect((await (await as('rufus')).send('POST', `/api/waiting-entries/${waits}`, approve)).status).toBe(
      200,
    );
    expect(await shopper(id)).toMatchObject({
      account: { id: 'wrenfield', name: 'Wrenfield Practice' },
      lists: expect.arrayContaining([{ name: 'Wrenfield Practice', from: 'Wrenfield Practice' }]),
    });
    await sendTo([STORE], [TILL]);
    const after = await rung('basket-after', card);
    expect(Number(after.rung.receipt.total)).toBeLessThan(Number(before.rung.receipt.total));
    expect([before.rung.lists, after.rung.lists[0] === null]).toEqual([[null], false]);
    const asked = `store=${STORE}&item=Q100042&at=2026-12-14T12:00&group=shopper:${id}`;
    const price = await ines.get(`/api/price?${asked}`);
    expect(price.body.base.list).toBe(after.rung.lists[0]);
    const basket = { store: STORE, at: '2026-12-14T12:00', shopper: { id }, lines: LINES };
    expect((await ines.send('POST', '/api/basket', basket)).body.lists).toEqual(after.rung.lists);
    const none = await ines.get(`/api/price?${asked}x`);
    expect([none.status, none.body.faults[0].path]).toEqual([422, '/group']);
  });

  it.each([
    [{ account: 'nowhere', priceList: null }, '/'],
    [{ account: null }, '/priceList'],
  ])('%j are refused', async (terms, path) => {
    const { id } = await known();
    const { status, body } = await (await as('ines')).send('POST', `/api/shoppers/${id}/terms`, terms);
    expect([status, body.faults[0].path.startsWith(path)]).toEqual([422, true]);
  });
});

describe('what is kept of people', () => {
  it('goes out to whom it is about, and is wiped', async () => {
    const ines = await as('ines');
    const { id, name, card } = await known({ groups: ['students'] });
    expect((await ines.get(`/api/shoppers/${id}/file`)).body).toMatchObject({
      id,
      name,
      receipts: [],
      plan: null,
    });
    expect((await ines.send('DELETE', `/api/shoppers/${id}`, {})).status).toBe(200);
    expect((await ines.get(`/api/shoppers/${id}`)).status).toBe(404);
    expect((await ines.send('POST', '/api/shoppers/find', { text: name })).body.found).toEqual([]);
    expect((await rung('basket-wiped', card)).card.state).toBe('unknown');
    expect((await ines.send('DELETE', `/api/shoppers/${id}`, {})).status).toBe(404);
  });

  it('stands in the trail by number alone, and in no log of what a program asked', async () => {
    const { id, name } = await known();
    await (await as('ines')).send('PUT', `/api/shoppers/${id}`, {
      name: `${name} Roe`,
      email: null,
      groups: ['staff'],
    });
    const { body } = await (await as('ines')).get('/check/history?part=chain');
    expect(String(body)).toContain(`Shopper ${id}`);
    expect(String(body)).not.toContain(name);
  });

  it.each([
    ['a name that is too long', { name: 'x'.repeat(200) }, '/name'],
    ['no address', { email: 'nobody' }, '/email'],
    ['a card that is mistyped', { card: '2750000000017' }, '/card'],
    ['a card that is too short', { card: '12' }, '/card'],
    ['a kind that is not there', { groups: ['nobility'] }, '/groups/0'],
    ['a field that nobody asked for', { born: '1990-01-01' }, '/born'],
  ])('is refused %s, with the place', async (_, wrong, path) => {
    const { status, body } = await (await as('ines')).send('POST', '/api/shoppers', somebody(wrong));
    expect([status, body.faults.map((fault: { path: string }) => fault.path)]).toEqual([422, [path]]);
  });
});

describe('somebody who asks to be let in', () => {
  const letterTo = async (email: string) => {
    const page = String((await (await as('basil')).get('/stockroom/letters')).body);
    return page.slice(page.indexOf(email));
  };
  const ask = async () => {
    const { name, email } = somebody();
    const asked = { group: 'trade', name, email, word: 'A shop of our own.' };
    const { status, body } = await nobody().send('POST', '/api/join', asked);
    expect(status).toBe(201);
    const code = /\b\d{6}\b/.exec(await letterTo(email))![0];
    return { id: (body as { id: number }).id, name, email, code };
  };

  it('is nobody who is signed in, proves the address, and holds a card then', async () => {
    const { id, name, email, code } = await ask();
    const ines = await as('ines');
    const answer = { answer: 'let-in', word: 'Good to have you.' };
    expect((await ines.send('POST', `/api/join/${id}/answer`, answer)).status).toBe(404);
    const wrong = await nobody().send('POST', `/api/join/${id}/proof`, { email, code: '12' });
    expect([wrong.status, (wrong.body as any).faults[0].path]).toEqual([422, '/code']);
    expect((await nobody().send('POST', `/api/join/${id}/proof`, { email, code })).status).toBe(200);
    expect(String((await ines.get('/stockroom/shopper')).body)).toContain(name);
    const { body } = await ines.send('POST', `/api/join/${id}/answer`, answer);
    expect(await shopper(body.person)).toMatchObject({ name, groups: ['Trade customers'] });
    const card = /\b\d{16}\b/.exec(await letterTo(email))![0];
    expect((await rung('basket-joined', card)).rung.lists).toEqual(['Trade']);
    expect((await ines.send('POST', `/api/join/${id}/answer`, answer)).status).toBe(422);
  });

  it.each([
    ['a kind that is had by card', { group: 'members' }, '/group'],
    ['no address', { email: 'x' }, '/email'],
    ['more words than anybody reads', { word: 'x'.repeat(600) }, '/word'],
  ])('is refused %s', async (_, wrong, path) => {
    const { name, email } = somebody();
    const { status, body } = await nobody().send('POST', '/api/join', {
      group: 'trade',
      name,
      email,
      word: '',
      ...wrong,
    });
    expect([status, (body as any).faults[0].path]).toEqual([422, path]);
  });

  it('is not asked by a till, nor by a program without the right', async () => {
    expect((await program('no-key').send('POST', '/api/shoppers/find', { text: 'x' })).status).toBe(401);
    expect((await nobody().send('POST', '/api/till/card', { card: '2750000000016' })).status).toBe(401);
  });
});
