import { gunzipSync } from 'node:zlib';
import { sql } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { chain } from '../../demo/chain.ts';
import type { PlanDocument } from '../../src/core/plan/index.ts';
import { book, priceAt } from '../../src/core/price-book/index.ts';
import {
  type Database,
  heldBackRepository,
  loadPlan,
  planRepository,
  planVersion,
  promotionRepository,
  refusalOf,
  sendingRepository,
} from '../../src/db/index.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { hashOfKey } from '../../src/signing/index.ts';
import { type Proposal, sendPriceFiles, storeComparison } from '../../src/usecases/index.ts';
import { change, compiled, SMALL, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';
import { sendingPorts } from './sending-ports.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());

const NOW = Date.parse('2027-04-14T10:00:00Z') as never;
const BY = { person: 'ines', action: 'changed' };
const ADMIN = {
  id: 'basil',
  name: 'Basil',
  email: '',
  role: 'administrator',
  costs: true,
  stores: null,
} as const;
const write = (document: PlanDocument) => planRepository(db).replace(document, 'basil');
const read = async () => (await loadPlan(db))!.document;

/** Lists of named things by their names, and without lists of tags that are empty: neither means anything. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) {
    const all = value.map(inOrder) as { id?: string }[];
    return all.every((one) => one?.id !== undefined) ? all.sort((a, b) => (a.id! < b.id! ? -1 : 1)) : all;
  }
  if (!value || typeof value !== 'object') return value;
  const kept = Object.entries(value).filter(
    ([key, entry]) => entry !== undefined && !(key === 'tags' && Array.isArray(entry) && entry.length === 0),
  );
  return Object.fromEntries(kept.map(([key, entry]) => [key, inOrder(entry)]));
}

/** Everything that the format knows, with values that are easily lost: empty lists, zeros, false. */
const WHOLE: PlanDocument = {
  ...withPromotions(
    change('a', {
      when: {
        from: '2027-03-01T09:00:30',
        windows: [{ days: ['fri'], from: '22:00', to: '24:00' }],
        except: ['2027-04-02'],
      },
      linePrices: { milk: '9.99' },
      rounding: { endings: ['0.49'], per: '1.00', mode: 'down' },
    }),
    change('b', {
      when: { from: '2027-03-01T09:00', repeat: { rrule: 'FREQ=WEEKLY;BYDAY=SA', duration: 'PT6H' } },
      codes: ['ONE', 'TWO'],
      who: { guests: false },
    }),
    {
      ...change('c'),
      offer: {
        kind: 'combo',
        slots: [{ name: 'x', items: { all: true }, quantity: 2, each: '1.50' }],
        extra: { bar: '0.20' },
      },
      uses: { inAll: 5, perCode: 1 },
      limitPerBasket: 2,
      label: { default: 'Label', de: 'Etikett' },
      notes: 'note',
    },
  ),
  name: 'Whole',
  policy: { priceChanges: 'lowest', baskets: 'priority', marginFloor: 0 },
  ranges: [{ id: 'all', name: 'All', stores: { all: true }, items: { all: true } }],
};

describe('the plan in the database', () => {
  it.each<[string, PlanDocument]>([
    ['everything that the format knows', WHOLE],
    [
      'the demo chain',
      chain({ stores: 9, zones: 4, terminals: 12, items: 400, priceChanges: 60 }, '2027-04-14'),
    ],
    [
      'a currency with three decimals',
      {
        ...SMALL,
        name: 'Three',
        currency: 'KWD',
        ranges: [],
        priceLists: [],
        shopperGroups: [],
        shoppers: [],
        items: [{ sku: 'a', name: 'A', node: 'sun', cost: '0.001', prices: [{ price: '1234567.891' }] }],
        itemSets: [],
      },
    ],
  ])('comes back as it was brought in: %s', async (_, document) => {
    await write(document);
    const { policy, ...back } = await read();
    const { policy: said, ...rest } = document;
    expect(inOrder(back)).toEqual(inOrder(rest));
    expect(policy).toMatchObject(said ?? {});
  });

  it('raises its version with every change', async () => {
    await write(WHOLE);
    const before = (await planVersion(db))!;
    await write(WHOLE);
    expect(await planVersion(db)).toBe(before + 1);
  });

  it('is not touched where bringing one in fails half-way', async () => {
    await write(WHOLE);
    const impossible = {
      ...SMALL,
      stores: [...SMALL.stores, { id: 'x', name: 'X', timeZone: 'UTC', zone: 'nowhere' }],
    };
    await expect(write(impossible)).rejects.toSatisfy(
      (error) => refusalOf(error)?.refusal === 'unknown-reference',
    );
    expect((await read()).name).toBe('Whole');
  });

  it.each<[string, string]>([
    ['an amount below zero', `update item set cost = -1 where sku = 'milk'`],
    ['an end before the start', `update promotion set ends_at = '2020-01-01' where id = 'a'`],
    ['a status that is none', `update promotion set status = 'maybe' where id = 'a'`],
    ['a second chain', `insert into chain (id, name, currency) values (2, 'x', 'EUR')`],
    [
      'a price for a zone and a store at once',
      `insert into item_price (sku, price, zone, store) values ('milk', 100, 'isles', 'west')`,
    ],
    ['two prices for one place and date', `insert into item_price (sku, price) values ('milk', 100)`],
    ['a kind that the offer does not say', `update promotion set kind = 'combo' where id = 'a'`],
  ])('refuses %s, whoever writes it', async (_, statement) => {
    await write(WHOLE);
    await expect(db.execute(sql.raw(statement))).rejects.toSatisfy((error) => refusalOf(error) !== null);
  });
});

describe('promotions', () => {
  beforeEach(() => write(withPromotions(change('a'))));
  const promotions = () => promotionRepository(db);

  it('are saved with a revision, and the second of two to save is told what stands', async () => {
    expect(await promotions().save(change('a', { priority: 7 }), 1, BY)).toEqual({
      kind: 'saved',
      revision: 2,
    });
    const stale = await promotions().save(change('a', { priority: 9 }), 1, BY);
    expect(stale).toMatchObject({ kind: 'stale', current: { revision: 2, promotion: { priority: 7 } } });
    expect((await promotions().find('a'))?.promotion.priority).toBe(7);
  });

  it('cannot be made twice under one id, nor changed when gone', async () => {
    expect(await promotions().save(change('a'), null, BY)).toMatchObject({ kind: 'stale' });
    expect(await promotions().save(change('gone'), 3, BY)).toEqual({ kind: 'stale', current: null });
  });

  it('leave a trail of who did what, newest first', async () => {
    await promotions().save(change('b'), null, { person: 'ines', action: 'created' });
    await promotions().save(change('b', { priority: 2 }), 1, { person: 'rufus', action: 'approved' });
    expect((await promotions().history('b')).map(({ action }) => action)).toEqual(['approved', 'created']);
  });

  it('keep what waits beside them, which changes no plan and is never taken for it', async () => {
    const waiting: Proposal = {
      document: change('a', { priority: 3 }),
      writtenBy: 'ines',
      submittedBy: 'ines',
      submittedAt: '2027-03-01T10:00:00.000Z',
      approvedBy: 'rufus',
      returned: { by: 'Rufus', reason: 'later' },
    };
    const live = livePlanBook(db);
    const held = await live.current();
    const propose = (proposal: Proposal | null, revision: number) =>
      promotions().save(change('a'), revision, { person: 'ines', action: 'change written', proposal });
    expect(await propose(waiting, 1)).toEqual({ kind: 'saved', revision: 2 });
    expect((await promotions().find('a'))?.proposal).toEqual(waiting);
    expect((await promotions().all())[0]?.proposal).toEqual(waiting);
    expect(await live.current()).toBe(held);
    // A server that comes later, or follows what was changed since, finds the promotion as it stands.
    await promotions().save(change('b'), null, BY);
    expect((await live.current()).document.promotions.find(({ id }) => id === 'a')).toEqual(change('a'));
    expect(await read()).toMatchObject({ promotions: [change('a'), change('b')] });
    expect((await promotions().history('a'))[0]).toMatchObject({
      action: 'change written',
      before: change('a'),
      after: change('a', { priority: 3 }),
    });
    // A plan that is brought in whole keeps it where the promotion stays.
    await write(withPromotions(change('a')));
    expect((await promotions().find('a'))?.proposal).toEqual(waiting);
    expect(await promotions().save(change('a'), 9, { ...BY, proposal: null })).toMatchObject({
      kind: 'stale',
    });
    const { revision } = (await promotions().find('a'))!;
    await propose(null, revision);
    expect((await promotions().find('a'))?.proposal).toBeNull();
  });

  it('keep their codes, and lose those that were taken away', async () => {
    await promotions().save(change('a', { codes: ['X', 'Y'] }), 1, BY);
    await promotions().save(change('a', { codes: ['Y'] }), 2, BY);
    expect((await promotions().find('a'))?.promotion.codes).toEqual(['Y']);
  });

  it('are saved by one of two who save at once', async () => {
    const results = await Promise.all(
      [2, 3].map((priority) => promotions().save(change('a', { priority }), 1, BY)),
    );
    expect(results.map(({ kind }) => kind).sort()).toEqual(['saved', 'stale']);
  });
});

describe('the live price book', () => {
  it('follows saved promotions one by one, and plans brought in whole', async () => {
    await write(withPromotions(change('a')));
    const live = livePlanBook(db);
    const held = await live.current();
    await promotionRepository(db).save(change('b', { priority: 1, formula: { setTo: '5.00' } }), null, BY);
    const next = await live.current();
    expect(next.version).toBe(held.version + 1);
    // The catalogue is shared: only the promotion was applied.
    expect(next.compiled.catalogue).toBe(held.compiled.catalogue);
    const fresh = compiled(await read());
    expect(book(next.compiled, NOW, ['east', 'west'])).toEqual(book(fresh, NOW, ['east', 'west']));
    await write(SMALL);
    const question = { sku: 'milk', store: 'east', at: NOW, shopper: { kind: 'guest' as const } };
    expect(priceAt((await live.current()).compiled, question)).toMatchObject({ price: 2490, winner: null });
  });

  it('answers all who ask at once from one version', async () => {
    const live = livePlanBook(db);
    const asked = await Promise.all(Array.from({ length: 20 }, () => live.current()));
    expect(new Set(asked.map(({ compiled: plan }) => plan)).size).toBe(1);
  });
});

describe('price files', () => {
  const ports = async () => sendingPorts(db);
  const send = async (stores: string[] | null = null, held: string[] = []) => {
    const all = await ports();
    const { version } = await all.book.current();
    return sendPriceFiles(all, ADMIN, { stores, planVersion: version, held }, NOW);
  };
  const open = async () => {
    const all = await ports();
    const stores = await all.compare(await all.book.current(), NOW);
    return stores
      .filter(
        ({ difference }) =>
          difference.promotions.added.length +
            difference.promotions.gone.length +
            difference.items.changed.length >
          0,
      )
      .map(({ store }) => store.id);
  };

  beforeEach(() => write(withPromotions(change('a'))));

  it('go to the stores with something new, and to no other', async () => {
    await send();
    expect(await open()).toEqual([]);
    await promotionRepository(db).save(change('west-only', { where: { stores: ['west'] } }), null, BY);
    expect(await open()).toEqual(['west']);
    expect(await send()).toMatchObject({ ok: true, value: { stores: 1 } });
    expect(await send()).toEqual({ ok: true, value: { rollout: null, stores: 0 } });
  });

  it('are compared once as long as neither the plan nor what was sent changes', async () => {
    const sending = sendingRepository(db);
    const compare = storeComparison(sending, heldBackRepository(db));
    const live = livePlanBook(db);
    const first = await compare(await live.current(), NOW);
    expect(await compare(await live.current(), NOW)).toBe(first);
    await send();
    const second = await compare(await live.current(), NOW);
    expect(second).not.toBe(first);
    await promotionRepository(db).save(change('b'), null, BY);
    expect(await compare(await live.current(), NOW)).not.toBe(second);
  });

  it('go out under the version that was reviewed only', async () => {
    const outcome = await sendPriceFiles(
      await ports(),
      ADMIN,
      { stores: null, planVersion: 1, held: [] },
      NOW,
    );
    expect(outcome).toMatchObject({ ok: false, failure: { kind: 'conflict' } });
  });

  it('take a promotion back that was put away, and leave one alone that is merely over', async () => {
    await send();
    await promotionRepository(db).save(change('a', { status: 'archived' }), 1, BY);
    expect(await open()).toEqual(['east', 'west']);
    await promotionRepository(db).save(change('a'), 2, BY);
    const all = await ports();
    const later = Date.parse('2027-09-01T10:00:00Z') as never;
    const stores = await all.compare(await all.book.current(), later);
    expect(stores.map(({ difference }) => difference.promotions.gone)).toEqual([[], []]);
  });

  it('lie ready as terminals take them, packed, by store and number', async () => {
    await send();
    const sending = sendingRepository(db);
    const number = (await sending.newestNumbers()).get('east')!;
    const envelope = JSON.parse(gunzipSync((await sending.envelope('east', number))!).toString());
    expect(envelope).toMatchObject({ store: 'east', number });
    expect(JSON.parse(envelope.content)).toMatchObject({ store: 'east', number });
    expect(await sending.envelope('east', number + 1)).toBeNull();
  });

  it('and what terminals hold stay where a plan is brought in whose stores stay', async () => {
    await db.execute(sql`update terminal set key_hash = ${hashOfKey('secret')} where id = 'east-1'`);
    await db.execute(
      sql`insert into person (id, name, email, role) values ('tove', 'Tove', 't@x.example', 'store') on conflict do nothing`,
    );
    await db.execute(
      sql`insert into person_store (person, store) values ('tove', 'east'), ('tove', 'west') on conflict do nothing`,
    );
    await send();
    const sending = sendingRepository(db);
    await sending.report('east-1', { holds: 4, heldSince: null, clockSkew: 0, problem: null });
    await write({
      ...withPromotions(change('a')),
      stores: [SMALL.stores[0]!],
      terminals: [SMALL.terminals![0]!],
      items: SMALL.items.map((item) => ({ ...item, prices: item.prices.filter(({ store }) => !store) })),
    });
    expect((await sending.terminalKeys()).get(hashOfKey('secret'))).toEqual({
      ...{ id: 'east-1', store: 'east' },
      wantsWhole: false,
    });
    expect([...(await sending.newestNumbers()).keys()]).toEqual(['east']);
    expect(await sending.terminals()).toMatchObject([{ terminal: 'east-1', holds: 4 }]);
    // What it said is what a complaint is answered by.
    expect(await sending.story('east-1')).toMatchObject([{ holds: 4 }]);
    expect(await sending.saidBy('east-1', new Date())).toMatchObject({ holds: 4, clockSkew: 0 });
    const { rows } = await db.execute(sql`select store from person_store where person = 'tove'`);
    expect(rows).toEqual([{ store: 'east' }]);
  });
});
