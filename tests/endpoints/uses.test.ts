import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { as, saveApproved } from '../application/client.ts';
import { running } from '../application/running.ts';
import { sendTo } from '../application/send-to.ts';
import { closeBasket, controlTill, ringAtTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';

const STORES = ['s021', 's022'];
const [HERE, THERE] = ['s021-1', 's022-1'];
const WORTH_ONE = {
  kind: 'basketReward',
  threshold: 'subtotal',
  tiers: [{ atLeast: '1.00', amountOff: '1.00' }],
};

/** Promotions of these tests, sent to two stores whose tills hold them then. */
beforeAll(async () => {
  const given = (id: string, more: object) =>
    saveApproved({
      ...change(id),
      when: { from: '2026-11-01T00:00', to: '2027-06-01T20:00' },
      where: { stores: STORES },
      offer: WORTH_ONE,
      ...more,
    } as never);
  await given('last-one', { codes: ['LAST-ONE'], uses: { inAll: 1 } });
  await given('each-once', { codes: ['ONCE-A', 'ONCE-B'], uses: { perCode: 1, cutOff: 1 } });
  await given('once-a-card', { codes: ['CARD-ONCE'], uses: { perShopper: 1 } });
  await given('three-each', {
    ...{ priority: 1, alone: true, codes: ['THREE-UNITS'], uses: { unitsPerShopper: 3, every: 'month' } },
    offer: { kind: 'priceChange', items: { items: ['Q100042'] }, formula: { setTo: '0.77' } },
  });
  await sendTo(STORES, [HERE!, THERE!]);
});
afterAll(async () => {
  await controlTill(HERE!, { on: '1' });
});

/** Whether a code was taken for a basket of one item. */
async function ring(till: string, basket: string, code: string) {
  const lines = [{ sku: 'Q100042', quantity: 1 }];
  const { status, body } = await ringAtTill(till, { id: basket, codes: [code], lines });
  expect([status, body.rung?.receipt.problems]).toEqual([200, []]);
  const [{ accepted }] = body.rung.receipt.codes;
  expect(body.rung.receipt.rewards.length).toBe(accepted ? 1 : 0);
  return { accepted, counted: body.counted };
}
const usesOf = async (id: string, name: 'rufus' | 'tove' = 'rufus') =>
  (await as(name)).get(`/api/promotions/${id}/uses`);

describe('a limit over all tills', () => {
  it('keeps its last use for one basket, until that is left standing or paid', async () => {
    expect(await ring(HERE!, 'basket-here', 'last one')).toEqual({ accepted: true, counted: true });
    expect(await ring(THERE!, 'basket-there', 'LAST-ONE')).toEqual({ accepted: false, counted: true });
    expect((await usesOf('last-one')).body).toMatchObject({
      inAll: { most: 1, taken: 0, held: 1 },
      newest: [],
    });
    await closeBasket(HERE!, 'basket-here', 'dropped');
    expect(await ring(THERE!, 'basket-there', 'Last—One')).toEqual({ accepted: true, counted: true });
    await closeBasket(THERE!, 'basket-there', 'paid');
    expect(await ring(HERE!, 'basket-here', 'last one')).toMatchObject({ accepted: false });
    expect((await usesOf('last-one')).body).toMatchObject({
      inAll: { most: 1, taken: 1, held: 0 },
      newest: [{ terminal: THERE, store: 's022', over: false }],
    });
  });

  it('cut off, is given by no till that may not, and by one that may as often as that', async () => {
    await controlTill(HERE!, { on: '0' });
    expect(await ring(HERE!, 'basket-off1', 'LAST-ONE')).toEqual({ accepted: false, counted: false });
    expect(await ring(HERE!, 'basket-off2', 'once a')).toEqual({ accepted: true, counted: false });
    await closeBasket(HERE!, 'basket-off2', 'paid');
    expect(await ring(HERE!, 'basket-off3', 'ONCE-B')).toEqual({ accepted: false, counted: false });
    // The same code meanwhile at another till: both are told, and the second one stands out.
    expect(await ring(THERE!, 'basket-on1', 'ONCE-A')).toEqual({ accepted: true, counted: true });
    await closeBasket(THERE!, 'basket-on1', 'paid');
    await controlTill(HERE!, { on: '1' });
    const { body } = await until(
      () => usesOf('each-once'),
      ({ body }) => body.newest.length === 2,
    );
    expect(body.codes).toEqual([
      { code: 'ONCE-A', most: 1, taken: 2, held: 0 },
      { code: 'ONCE-B', most: 1, taken: 0, held: 0 },
    ]);
    expect([body.beyond, body.currency]).toEqual([{ receipts: 1, worth: '1.00' }, 'EUR']);
    expect(body.newest.map(({ terminal, over }: any) => [terminal, over])).toContainEqual([HERE, true]);
  });

  it('is each shopper’s own, by the number of a card, at whatever till', async () => {
    const reward = async (till: string, basket: string, card?: string) => {
      const shopper = card === undefined ? {} : { shopper: { id: card } };
      const lines = [{ sku: 'Q100042', quantity: 1 }];
      const { body } = await ringAtTill(till, { id: basket, codes: ['card once'], ...shopper, lines });
      return body.rung.receipt.rewards.map(({ promotion }: any) => promotion);
    };
    expect(await reward(HERE!, 'basket-card1', 'card 7')).toEqual(['once-a-card']);
    await closeBasket(HERE!, 'basket-card1', 'paid');
    expect(await reward(THERE!, 'basket-card2', 'card 7')).toEqual([]);
    expect(await reward(THERE!, 'basket-card3', 'card 8')).toEqual(['once-a-card']);
    expect((await usesOf('once-a-card')).body).toMatchObject({
      newest: [{ terminal: HERE, shopper: 'card 7' }],
    });
    // Of a guest nobody knows how often they came.
    expect(await reward(THERE!, 'basket-card4')).toEqual(['once-a-card']);
  });

  it('is each shopper’s own in units: what is beyond costs what it would without', async () => {
    const lines = async (till: string, basket: string, quantity: number) => {
      const goods = {
        shopper: { id: 'card 9' },
        codes: ['three units'],
        lines: [{ sku: 'Q100042', quantity }],
      };
      const { body } = await ringAtTill(till, { id: basket, ...goods });
      return body.rung.receipt.lines.map(
        (line: any) => `${line.quantity} ${line.priceChange === 'three-each' ? line.tag : 'as without'}`,
      );
    };
    expect(await lines(HERE!, 'basket-unit1', 2)).toEqual(['2 0.77']);
    expect(await lines(THERE!, 'basket-unit2', 4)).toEqual(['1 0.77', '3 as without']);
    await closeBasket(HERE!, 'basket-unit1', 'paid');
    await closeBasket(THERE!, 'basket-unit2', 'paid');
    expect(await lines(HERE!, 'basket-unit3', 1)).toEqual(['1 as without']);
    const { body } = await usesOf('three-each');
    expect(body.newest.map(({ terminal, shopper, units }: any) => [terminal, shopper, units]).sort()).toEqual(
      [
        [HERE, 'card 9', 2],
        [THERE, 'card 9', 1],
      ],
    );
  });

  it('is told to nobody of other stores, and not of what is not there', async () => {
    expect((await usesOf('last-one', 'tove')).status).toBe(404);
    expect((await usesOf('no-such-thing')).status).toBe(404);
  });
});

describe('a till that counts', () => {
  const key = () =>
    JSON.parse(readFileSync(`${running().tillFolder}/tills.json`, 'utf8')).tills.find(
      ({ id }: any) => id === HERE,
    ).key;
  const say = (method: string, basket: string, body: unknown, own = key()) =>
    fetch(`${running().origin}/api/till/uses/${basket}`, {
      method,
      headers: { authorization: `Bearer ${own}`, 'content-type': 'application/json' },
      ...(method === 'DELETE' ? {} : { body: JSON.stringify(body) }),
    });
  const uses = [{ key: 'last-one', promotion: 'last-one', most: 1 }];

  it.each<[string, string, string, unknown, number]>([
    ['a name that is none', 'PUT', 'a b', { uses: [] }, 422],
    ['a short name', 'DELETE', 'short', null, 422],
    ['no uses at all', 'PUT', 'basket-0001', {}, 422],
    ['the same twice', 'PUT', 'basket-0001', { uses: [...uses, ...uses] }, 422],
    ['a limit of nothing', 'PUT', 'basket-0001', { uses: [{ ...uses[0], most: 0 }] }, 422],
    ['a receipt of no time', 'POST', 'basket-0001', { uses }, 422],
    ['a time that is none', 'POST', 'basket-0001', { uses, at: 'yesterday' }, 422],
  ])('is told what is wrong with %s', async (_, method, basket, body, status) => {
    const before = (await usesOf('last-one')).body;
    expect((await say(method, encodeURIComponent(basket), body)).status).toBe(status);
    expect((await usesOf('last-one')).body).toEqual(before);
  });

  it('is not let in without its key', async () => {
    for (const method of ['PUT', 'POST', 'DELETE'])
      expect((await say(method, 'basket-0001', { uses }, 'no-such-key')).status).toBe(401);
  });

  it('gives back only what is its own', async () => {
    expect((await say('DELETE', 'basket-there', null)).status).toBe(200);
    expect((await usesOf('last-one')).body).toMatchObject({ inAll: { taken: 1 } });
  });
});
