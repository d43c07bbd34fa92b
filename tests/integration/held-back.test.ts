import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { parsePlan } from '../../src/contracts/index.ts';
import type { PlanDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import { type Database, planRepository, promotionRepository, sendingRepository } from '../../src/db/index.ts';
import { holdBack, reviewSending, sendPriceFiles } from '../../src/usecases/index.ts';
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

const NOW = Date.parse('2027-04-14T10:00:00Z') as never;
const BY = { person: 'basil', action: 'changed' };
const ADMIN = { ...person('administrator'), id: 'basil' };

const ports = () => ({ ...sendingPorts(db), promotions: promotionRepository(db) });
const hold = (promotion: string, held = true) => holdBack(ports(), ADMIN, { promotion, held });
async function review() {
  const outcome = await reviewSending(ports(), ADMIN, NOW);
  if (!outcome.ok) throw new Error('no review');
  return outcome.value;
}
async function send() {
  const { planVersion, held } = await review();
  const order = { stores: null, planVersion, held: held.map(({ promotion }) => promotion) };
  return sendPriceFiles(ports(), ADMIN, order, NOW);
}
/** The promotions that a store was sent last, and the whole plan of its file, which is one without faults. */
async function sentTo(store: string): Promise<PlanDocument> {
  const sending = sendingRepository(db);
  const number = (await sending.newestNumber(store))!;
  const packed = (await sending.envelope(store, number))!;
  const { plan } = JSON.parse(JSON.parse(gunzipSync(packed).toString('utf8')).content);
  expect(parsePlan(plan)).toMatchObject({ ok: true });
  return plan;
}
const save = async (promotion: PromotionDocument) => {
  const before = await promotionRepository(db).find(promotion.id);
  await promotionRepository(db).save(promotion, before?.revision ?? null, BY);
};
const cheaper = (percentOff: number) => ({ formula: { percentOff } });

describe('a promotion that is held back', () => {
  beforeEach(async () => {
    await db.execute('truncate held_back, price_file, rollout, terminal_state restart identity cascade');
    const sets = [{ id: 'drinks', name: 'Drinks', rule: { items: ['milk', 'oil'] } }];
    const document = { ...withPromotions(change('a', cheaper(1000)), change('b')), itemSets: sets };
    await planRepository(db).replace(document, 'basil');
    await db.execute(
      `insert into person (id, name, email, role) values ('basil', 'Basil', 'basil@x.example', 'administrator')
       on conflict do nothing`,
    );
    await send();
  });

  it('and is new is not sent, and everything else is', async () => {
    await save(change('new', cheaper(3000)));
    await save(change('b', cheaper(2000)));
    await hold('new');
    expect((await review()).held).toMatchObject([{ promotion: 'new', by: 'Basil', stores: 2 }]);
    expect(await send()).toMatchObject({ ok: true, value: { stores: 2 } });
    const { promotions } = await sentTo('east');
    expect(promotions.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(promotions[1]!.offer).toMatchObject(cheaper(2000));
    // Nothing more is to be sent while it is held; once it is let go it goes.
    expect((await review()).stores).toEqual([]);
    await hold('new', false);
    expect((await review()).stores.map(({ promotions: { added } }) => added)).toEqual([['new'], ['new']]);
    await send();
    expect((await sentTo('east')).promotions.map(({ id }) => id)).toContain('new');
  });

  it('and was changed stays as the tills have it, with a set that is no more', async () => {
    const { offer } = change('a', { items: { set: 'drinks' }, ...cheaper(1000) });
    await save({ ...change('a'), offer });
    await send();
    const document = withPromotions(change('a', cheaper(500)), change('b', cheaper(2000)));
    await planRepository(db).replace(document, 'basil');
    await hold('a');
    await send();
    const { promotions, itemSets } = await sentTo('west');
    expect(promotions.map((one) => one.offer)).toMatchObject([offer, cheaper(2000)]);
    expect(itemSets?.map(({ id }) => id)).toEqual(['summer', 'drinks']);
    await hold('a', false);
    await send();
    const now = await sentTo('west');
    expect(now.itemSets?.map(({ id }) => id)).toEqual(['summer']);
    expect(now.promotions[0]!.offer).toMatchObject(cheaper(500));
  });

  it('and was taken back goes on at the tills', async () => {
    await save(change('a', { status: 'paused', ...cheaper(1000) }));
    await hold('a');
    await save(change('b', cheaper(2000)));
    await send();
    expect((await sentTo('east')).promotions.map(({ id }) => id).toSorted()).toEqual(['a', 'b']);
    await hold('a', false);
    await send();
    expect((await sentTo('east')).promotions.map(({ id }) => id)).toEqual(['b']);
  });

  it('is not sent to a store that was sent nothing yet', async () => {
    await db.execute('truncate price_file, rollout restart identity cascade');
    await hold('a');
    await send();
    expect((await sentTo('east')).promotions.map(({ id }) => id)).toEqual(['b']);
  });

  it('cannot be sent under a review that knew nothing of it, and tells its own story', async () => {
    await save(change('b', cheaper(2000)));
    const { planVersion } = await review();
    await hold('b');
    await hold('b');
    expect(await sendPriceFiles(ports(), ADMIN, { stores: null, planVersion, held: [] }, NOW)).toMatchObject({
      failure: { kind: 'conflict', code: 'review-is-old', of: 'held-back' },
    });
    await hold('b', false);
    const story = (await promotionRepository(db).history('b')).map(({ action }) => action);
    expect(story.slice(0, 2)).toEqual(['let go for sending', 'held back from sending']);
    expect(await hold('nobody')).toMatchObject({ failure: { kind: 'not-found' } });
    expect(await holdBack(ports(), person('planner'), { promotion: 'a', held: true })).toMatchObject({
      failure: { kind: 'forbidden' },
    });
  });
});
