import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { HOUR, type Instant } from '../../src/core/calendar/index.ts';
import type { PromotionDocument } from '../../src/core/plan/index.ts';
import {
  basketCheckRepository,
  type Database,
  findingRepository,
  loopholeRepository,
  planRepository,
  promotionRepository,
} from '../../src/db/index.ts';
import {
  acceptFinding,
  holdBack,
  keepBasketCheck,
  lookAtFindings,
  lookAtSendingHour,
  sendByItself,
  setSendingHour,
} from '../../src/usecases/index.ts';
import { person } from '../plans/ports.ts';
import { change, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';
import { sendingPorts } from './sending-ports.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());

const BASIL = { ...person('administrator'), id: 'basil' };
const BY = { person: 'basil', action: 'changed' };
const HOUR_OF_SENDING = { time: '18:00', timeZone: 'Europe/Madrid' };
/** 12:00 in Madrid. */
const NOON = Date.parse('2027-04-14T10:00:00Z') as Instant;
const at = (hours: number): Instant => (NOON + hours * HOUR) as Instant;

function ports() {
  const findings = findingRepository(db);
  return {
    ...{ ...sendingPorts(db), findings, loopholes: loopholeRepository(db) },
    checks: basketCheckRepository(db),
    promotions: promotionRepository(db),
  };
}
const promotion = (id: string, percentOff: number, sku: string): PromotionDocument => ({
  ...change(id),
  offer: { kind: 'priceChange', items: { items: [sku] }, formula: { percentOff } },
});
const save = async (one: PromotionDocument) => {
  const before = await promotionRepository(db).find(one.id);
  await promotionRepository(db).save(one, before?.revision ?? null, BY);
};
/** The promotions in the newest file of a store. */
async function sentTo(store: string): Promise<string[]> {
  const { sending } = ports();
  const number = await sending.newestNumber(store);
  if (number === null) return [];
  const { content } = JSON.parse(gunzipSync((await sending.envelope(store, number))!).toString('utf8'));
  return JSON.parse(content).plan.promotions.map(({ id }: { id: string }) => id);
}

beforeEach(async () => {
  await db.execute('truncate held_back, price_file, rollout, accepted_finding restart identity cascade');
  await planRepository(db).replace(withPromotions(promotion('sound', 1000, 'milk')), 'basil');
  await db.execute(
    `insert into person (id, name, email, role) values ('basil', 'Basil', 'basil@x.example', 'administrator')
     on conflict do nothing`,
  );
  expect((await setSendingHour(ports(), BASIL, { hour: HOUR_OF_SENDING }, NOON)).ok).toBe(true);
});

describe('what is approved', () => {
  it('goes out by itself once its hour has come, and once', async () => {
    expect(await sendByItself(ports(), at(5))).toBeNull();
    expect(await sentTo('east')).toEqual([]);
    const sent = await sendByItself(ports(), at(6));
    expect(sent).toMatchObject({ rollout: expect.any(Number), stores: 2, left: [] });
    expect(await sentTo('east')).toEqual(['sound']);
    expect(await sendByItself(ports(), at(6.1))).toBeNull();
    expect(await sendByItself(ports(), at(29))).toBeNull();
    // The next day there is nothing that would be new.
    expect(await sendByItself(ports(), at(30))).toMatchObject({ rollout: null, stores: 0 });
  });

  it('goes out late where no server was there at its hour', async () => {
    expect(await sendByItself(ports(), at(3 * 24))).toMatchObject({ stores: 2 });
  });

  it('stays where the chain sends by hand, and what was due before the hour was set is not made up for', async () => {
    await setSendingHour(ports(), BASIL, { hour: null }, NOON);
    expect(await sendByItself(ports(), at(30))).toBeNull();
    await setSendingHour(ports(), BASIL, { hour: HOUR_OF_SENDING }, at(30.5));
    expect(await sendByItself(ports(), at(31))).toBeNull();
    expect(await sendByItself(ports(), at(54))).toMatchObject({ stores: 2 });
  });

  it('is left where something grave was found about it, and goes once that is accepted; the rest goes at once', async () => {
    await save(promotion('below', 9900, 'spray'));
    expect(await sendByItself(ports(), at(6))).toMatchObject({
      ...{ stores: 2, left: [{ promotion: 'below', why: 'below-cost' }] },
    });
    expect(await sentTo('east')).toEqual(['sound']);
    const told = await lookAtSendingHour(ports(), BASIL, at(7));
    expect(told).toMatchObject({
      value: {
        ...{ hour: HOUR_OF_SENDING, next: '2027-04-15T18:00' },
        last: { left: [{ id: 'below', why: 'below-cost' }] },
        timeZones: expect.arrayContaining(['Europe/Madrid']),
      },
    });
    const unseen = await lookAtSendingHour(ports(), { ...BASIL, costs: false }, at(7));
    expect(unseen.ok && unseen.value.last?.left[0]?.why).toBeNull();
    for (const { code, promotions, part, about } of (await lookAtFindings(ports(), BASIL, at(29))).open) {
      const accepted = {
        code,
        promotions: promotions.map(({ id }) => id),
        part,
        about,
        reason: 'It must go',
      };
      expect((await acceptFinding(ports(), BASIL, accepted)).ok).toBe(true);
    }
    expect(await sendByItself(ports(), at(30))).toMatchObject({ stores: 2, left: [] });
    expect((await sentTo('east')).sort()).toEqual(['below', 'sound']);
  });

  it('is left where with it a kept basket does not come to what it should', async () => {
    await save(promotion('quarter', 2500, 'oil'));
    await save(promotion('other', 500, 'spray'));
    const kept = (name: string, sku: string) =>
      keepBasketCheck(
        ports(),
        BASIL,
        {
          ...{ name, basket: { store: 'east', lines: [{ sku, quantity: '1' }] } },
          ...{ moment: { at: '2027-04-20T12:00' }, atLeast: '7.50' },
        },
        at(0),
      );
    expect([await kept('An oil', 'oil'), await kept('A spray', 'spray')]).toMatchObject([
      { ok: true, value: { result: { holds: false } } },
      { ok: true, value: { result: { holds: true } } },
    ]);
    expect(await sendByItself(ports(), at(6))).toMatchObject({
      left: [{ promotion: 'quarter', why: 'kept-basket' }],
    });
    expect((await sentTo('east')).sort()).toEqual(['other', 'sound']);
    await db.execute('truncate basket_check');
  });

  it('goes as the tills have it where a change of it is grave', async () => {
    await sendByItself(ports(), at(6));
    await save(promotion('sound', 9900, 'milk'));
    await save(promotion('more', 500, 'oil'));
    expect(await sendByItself(ports(), at(30))).toMatchObject({
      left: [{ promotion: 'sound', why: 'below-cost' }],
    });
    const { sending } = ports();
    const number = (await sending.newestNumber('east'))!;
    const { content } = JSON.parse(gunzipSync((await sending.envelope('east', number))!).toString('utf8'));
    const sound = JSON.parse(content).plan.promotions.find(({ id }: { id: string }) => id === 'sound');
    expect([sound.offer.formula, (await sentTo('east')).sort()]).toEqual([
      { percentOff: 1000 },
      ['more', 'sound'],
    ]);
  });

  it('stays back where somebody holds it back', async () => {
    await save(promotion('held', 500, 'oil'));
    await holdBack(ports(), BASIL, { promotion: 'held', held: true });
    await sendByItself(ports(), at(6));
    expect(await sentTo('west')).toEqual(['sound']);
  });

  it('stays due where it could not be sent', async () => {
    const broken = {
      ...ports(),
      maker: {
        // biome-ignore lint/correctness/useYield: it fails before it has made any
        async *make() {
          throw new Error('no key');
        },
      },
    };
    await expect(sendByItself(broken, at(6))).rejects.toThrow('no key');
    expect(await sendByItself(ports(), at(6.1))).toMatchObject({ stores: 2 });
  });
});

describe('the hour', () => {
  it.each([
    ['somebody who plans', person('planner'), HOUR_OF_SENDING, { kind: 'forbidden' }],
    ['a time zone that is none', BASIL, { time: '18:00', timeZone: 'Nowhere/At All' }, { kind: 'invalid' }],
  ])('is refused to %s', async (_, who, hour, failure) => {
    expect(await setSendingHour(ports(), who, { hour }, NOON)).toMatchObject({ ok: false, failure });
    expect((await ports().hour.current()).hour).toEqual(HOUR_OF_SENDING);
  });

  it('is in the trail, with who set it', async () => {
    const { rows } = await db.execute(
      `select person, action from audit_entry where subject = 'sending' order by id desc limit 1`,
    );
    expect(rows).toEqual([{ person: 'basil', action: expect.stringContaining('18:00') }]);
  });
});
