import { setTimeout as pause } from 'node:timers/promises';
import { beforeAll, describe, expect, it } from 'vitest';
import { as, type Client, saveApproved } from '../application/client.ts';
import { askTill } from '../application/till.ts';
import { until } from '../application/until.ts';
import { change } from '../plans/small-plan.ts';

const ITEM = 'Q100181';
const STORE = 's001';
const HALF = {
  ...change('half-price-then', { priority: 1 }),
  when: { from: '2026-11-01T00:00' },
  offer: { kind: 'priceChange', items: { items: [ITEM] }, formula: { percentOff: 5000 }, mayRaise: true },
} as const;

/** A moment between what was written before and what is written next. */
async function momentBetween(): Promise<string> {
  await pause(5);
  const at = new Date().toISOString();
  await pause(5);
  return at;
}

let people: Record<'ines' | 'rufus' | 'tove', Client>;
/** Before there was anything; while it counted; while it was paused. */
let moments: { nothing: string; counting: string; paused: string };
beforeAll(async () => {
  people = { ines: await as('ines'), rufus: await as('rufus'), tove: await as('tove') };
  const nothing = await momentBetween();
  await saveApproved(HALF);
  const counting = await momentBetween();
  const { revision } = (await people.rufus.get(`/api/promotions/${HALF.id}`)).body;
  await people.rufus.send('PATCH', `/api/promotions/${HALF.id}`, { status: 'paused', revision });
  moments = { nothing, counting, paused: await momentBetween() };
});

const AT = '2026-11-28T12:00';
const known = (moment: string | null) => (moment === null ? '' : `&known=${encodeURIComponent(moment)}`);

describe('what is looked at as it was known', () => {
  const ways: readonly (readonly [string, (moment: string | null) => Promise<string | null | undefined>])[] =
    [
      [
        'a price',
        async (moment) =>
          (await people.ines.get(`/api/price?store=${STORE}&item=${ITEM}&at=${AT}${known(moment)}`)).body
            .winner?.id,
      ],
      [
        'a price across stores',
        async (moment) =>
          (await people.ines.get(`/api/price/across?item=${ITEM}&at=${AT}&stores=${STORE}${known(moment)}`))
            .body.prices[0].promotion?.id,
      ],
      [
        'the grid',
        async (moment) => {
          const { body } = await people.ines.get(
            `/api/grid?at=${AT}&where=${STORE}&q=${ITEM}${known(moment)}`,
          );
          const [[[, by]]] = body.rows[0].cells[0];
          return body.promotions[by]?.id;
        },
      ],
      [
        'the timeline',
        async (moment) => {
          const { body } = await people.ines.get(
            `/api/timeline?item=${ITEM}&at=${AT}&where=${STORE}${known(moment)}`,
          );
          return JSON.stringify(body).includes(HALF.id) ? HALF.id : undefined;
        },
      ],
      [
        'what is found in it',
        async (moment) => {
          const { body } = await people.ines.get(`/api/findings${known(moment).replace('&', '?')}`);
          return JSON.stringify(body.open).includes(HALF.id) ? HALF.id : undefined;
        },
      ],
      [
        'the baskets that leave the least',
        async (moment) => {
          const { body } = await people.ines.get(
            `/api/loopholes?at=${AT}&store=${STORE}&units=6${known(moment)}`,
          );
          return JSON.stringify(body.found).includes(HALF.id) ? HALF.id : undefined;
        },
      ],
      [
        'a trial basket',
        async (moment) => {
          const basket = { store: STORE, at: AT, lines: [{ sku: ITEM, quantity: '1' }] };
          const path = `/api/basket${known(moment).replace('&', '?')}`;
          const { body } = await people.ines.send('POST', path, basket);
          return JSON.stringify(body).includes(HALF.id) ? HALF.id : undefined;
        },
      ],
    ];
  it.each(ways)('%s counts what stood then, and nothing that came or went later', async (_, look) => {
    expect(
      [
        await look(moments.nothing),
        await look(moments.counting),
        await look(moments.paused),
        await look(null),
      ].map((id) => id === HALF.id),
    ).toEqual([false, true, false, false]);
  });

  it('is held against what was known before', async () => {
    const path = `/api/grid?at=${AT}&where=${STORE}&changed=1${known(moments.counting)}&against=known&other=`;
    const { status, body } = await people.ines.get(path + encodeURIComponent(moments.nothing));
    expect(status).toBe(200);
    expect(body).toMatchObject({ goods: 1, changed: 1, rows: [{ sku: ITEM }], without: [] });
    const [[price]] = body.rows[0].cells[0];
    expect(Number(price[0]) * 2).toBeCloseTo(Number(price[2]), 0);
  });

  it.each([
    ['no moment', '/api/grid?at=2026-11-28T12:00&known=yesterday', 422, 'a moment with its offset'],
    [
      'a wall time, of which nobody knows the store',
      '/api/grid?at=2026-11-28T12:00&known=2026-11-28T12:00',
      422,
      'offset',
    ],
    ['a moment before anything', '/api/grid?at=2026-11-28T12:00&known=2001-01-01T00:00Z', 404, 'as known on'],
    [
      'what terminals hold, then',
      `/api/grid?at=2026-11-28T12:00&known=2100-01-01T00:00Z&against=held`,
      422,
      'is of now',
    ],
    [
      'what will be known',
      '/api/grid?at=2026-11-28T12:00&against=known&other=2100-01-01T00:00',
      422,
      'nobody knows yet',
    ],
  ])('is refused for %s', async (_, path, status, words) => {
    const reply = await people.ines.get(path);
    expect([reply.status, JSON.stringify(reply.body)]).toEqual([status, expect.stringContaining(words)]);
  });

  it('is narrowed to what a person may see', async () => {
    const across = await people.tove.get(`/api/price/across?item=${ITEM}&at=${AT}${known(moments.counting)}`);
    expect(across.body.prices.flatMap(({ stores }: any) => stores.map(({ id }: any) => id))).toEqual([STORE]);
    expect(
      (await people.tove.get(`/api/price?store=s002&item=${ITEM}&at=${AT}${known(moments.counting)}`)).status,
    ).toBe(403);
  });
});

describe('what a till rang', () => {
  const rung = async (who: Client, at: string, item = ITEM, terminal = 's001-1') =>
    who.get(`/api/rung?terminal=${terminal}&item=${item}&at=${encodeURIComponent(at)}`);

  it('is told by the price file that it held, beside what the plan said then and says now', async () => {
    const { holds } = await until(
      () => askTill('s001-1'),
      ({ holds }) => holds !== null,
    );
    const { status, body } = await rung(people.rufus, moments.counting);
    expect(status).toBe(200);
    expect(body).toMatchObject({
      ...{ terminal: 's001-1', store: { id: STORE } },
      held: { number: expect.any(Number), sent: { by: expect.any(String) } },
      known: { promotion: { id: HALF.id } },
    });
    expect(body.held.number).toBeLessThanOrEqual(holds!);
    // What was approved and not sent is in no till.
    expect(body.story.winner?.id).not.toBe(HALF.id);
    expect(body.story.price).not.toBe(body.known.price);
    expect(body.now.promotion?.id).not.toBe(HALF.id);
  });

  it('is not on record from before the till said anything', async () => {
    expect((await rung(people.rufus, '2020-01-01T12:00')).body).toMatchObject({
      ...{ held: null, story: null, known: null },
    });
  });

  it.each([
    ['of an item that nobody knows', '2026-11-27T12:00', 'no-such-item', 's001-1', 404],
    ['of a till that is not there', '2026-11-27T12:00', ITEM, 'no-such-till', 404],
    ['at no moment', 'noon', ITEM, 's001-1', 422],
    ['at a moment to come', '2100-01-01T12:00', ITEM, 's001-1', 422],
  ])('is refused %s', async (_, at, item, terminal, status) => {
    expect((await rung(people.rufus, at, item, terminal)).status).toBe(status);
  });

  it('is told of a whole basket, by the same file, whatever the plan said', async () => {
    const { at } = (await rung(people.rufus, moments.counting)).body;
    const ring = (who: Client, query: string, when = at, store = STORE) =>
      who.send('POST', `/api/basket?${query}`, {
        ...{ store, at: when, lines: [{ sku: ITEM, quantity: '2' }] },
      });
    const byPlan = await ring(people.rufus, `known=${encodeURIComponent(moments.counting)}`);
    const byTill = await ring(people.rufus, 'till=s001-1');
    expect([byPlan.status, byTill.status]).toEqual([200, 200]);
    expect(JSON.stringify(byPlan.body)).toContain(HALF.id);
    expect(JSON.stringify(byTill.body)).not.toContain(HALF.id);
    expect((await ring(people.tove, 'till=s001-1')).status).toBe(200);
    expect((await ring(people.tove, 'till=s002-1')).status).toBe(404);
    expect((await ring(people.rufus, 'till=none')).status).toBe(404);
    expect((await ring(people.rufus, 'till=s001-1', '2020-01-01T12:00')).status).toBe(404);
    expect((await ring(people.rufus, 'till=s001-1', '2100-01-01T12:00')).status).toBe(422);
    // Its file knows its own store alone.
    expect((await ring(people.rufus, 'till=s001-1', at, 's002')).status).toBe(422);
  });

  it('is told to a store of its own tills', async () => {
    expect((await rung(people.tove, moments.paused)).status).toBe(200);
    expect((await rung(people.tove, moments.paused, ITEM, 's002-1')).status).toBe(404);
  });
});
