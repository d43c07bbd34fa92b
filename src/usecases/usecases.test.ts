import { describe, expect, it } from 'vitest';
import { offer } from '../../tests/plans/basket-plan.ts';
import { codesInMemory } from '../../tests/plans/codes-in-memory.ts';
import { peopleInMemory } from '../../tests/plans/people.ts';
import {
  checksInMemory,
  findingsInMemory,
  hourInMemory,
  inMemory,
  loopholesInMemory,
  person,
  quietKeys,
  quietSending,
} from '../../tests/plans/ports.ts';
import { change, SMALL, withPromotions } from '../../tests/plans/small-plan.ts';
import type { LensView } from '../contracts/index.ts';
import {
  askPrice,
  listChoices,
  listPromotions,
  lookAtItem,
  lookAtStockroom,
  lookAtToday,
  openPromotion,
  previewPromotion,
  priceFileMaker,
  savePromotion,
  searchItems,
  sendPriceFiles,
  setPromotionStatus,
  storeComparison,
} from './index.ts';
import type { JoinStore, PlanPast, ShelfStore } from './ports/index.ts';

const planner = person('planner');
const approver = person('approver');
const viewer = person('viewer');
const atEast = person('store', ['east']);

describe('saving a promotion', () => {
  it.each([
    [planner, 'draft', 'draft'],
    [planner, 'approved', 'draft'],
    [planner, 'paused', 'draft'],
    [approver, 'approved', 'approved'],
    // Only what was approved can be paused.
    [approver, 'paused', 'draft'],
  ] as const)('by a %j as %s makes it %s', async (who, asked, becomes) => {
    const ports = inMemory(SMALL);
    const outcome = await savePromotion(ports, who, {
      promotion: change('a', { status: asked }),
      revision: null,
    });
    expect(outcome).toEqual({ ok: true, value: { revision: 1, waits: false } });
    expect(ports.saved[0]?.promotion.status).toBe(becomes);
    expect(ports.actions).toEqual([becomes === 'draft' ? 'created' : `created and ${becomes}`]);
  });

  it.each([viewer, atEast])('is not for %j', async (who) => {
    const ports = inMemory(SMALL);
    const outcome = await savePromotion(ports, who, { promotion: change('a'), revision: null });
    expect(outcome).toEqual({ ok: false, failure: { kind: 'forbidden' } });
    expect(ports.saved).toEqual([]);
  });

  it.each([
    ['approved', { status: 'approved' }],
    ['changed', { name: 'B' }],
    ['changed and approved', { name: 'B', status: 'approved' }],
  ] as const)('is told as %j', async (action, change_) => {
    const before = { ...change('a'), status: 'draft' as const };
    const ports = inMemory(withPromotions(before));
    const promotion = { ...before, ...change_ };
    expect(await savePromotion(ports, person('approver'), { promotion, revision: 1 })).toMatchObject({
      ok: true,
    });
    expect(ports.actions).toEqual([action]);
  });

  it('tells the second of two what stands', async () => {
    const ports = inMemory(withPromotions(change('a', { priority: 7 })));
    const outcome = await savePromotion(ports, planner, { promotion: change('a'), revision: 9 });
    expect(outcome).toMatchObject({
      ok: false,
      failure: { kind: 'conflict', current: { revision: 1, promotion: { priority: 7 } } },
    });
    const gone = await savePromotion(ports, planner, { promotion: change('b'), revision: 1 });
    expect(gone).toMatchObject({
      ok: false,
      failure: { kind: 'conflict', code: 'promotion-gone' },
    });
  });

  it('keeps nothing of what has a fault', async () => {
    const ports = inMemory(SMALL);
    const outcome = await savePromotion(ports, planner, {
      promotion: change('a', { items: { node: 'nowhere' } }),
      revision: null,
    });
    expect(outcome).toMatchObject({
      ok: false,
      failure: { kind: 'invalid', faults: [{ path: ['offer', 'items', 'node'] }] },
    });
    expect(ports.saved).toEqual([]);
  });
});

describe('the status of a promotion', () => {
  it.each([
    [approver, 'approved', 'approved'],
    [approver, 'paused', 'paused'],
    [planner, 'paused', 'paused'],
    [planner, 'archived', 'archived'],
    [planner, 'draft', 'withdrawn'],
  ] as const)('is set by %j to %s, and told as "%s"', async (who, status, action) => {
    const before = status === 'approved' ? ('draft' as const) : ('approved' as const);
    const ports = inMemory(withPromotions(change('a', { status: before })));
    expect(await setPromotionStatus(ports, who, { id: 'a', status, revision: 1 })).toMatchObject({
      ok: true,
    });
    expect(ports.saved[0]?.promotion.status).toBe(status);
    expect(ports.actions).toEqual([action]);
  });

  it('is approved by nobody who only plans, and changed by nobody who only looks', async () => {
    const ports = inMemory(withPromotions(change('a', { status: 'draft' })));
    expect(
      await setPromotionStatus(ports, planner, { id: 'a', status: 'approved', revision: 1 }),
    ).toMatchObject({ ok: false });
    expect(await setPromotionStatus(ports, viewer, { id: 'a', status: 'paused', revision: 1 })).toMatchObject(
      { ok: false },
    );
    expect(
      await setPromotionStatus(ports, approver, { id: 'b', status: 'paused', revision: 1 }),
    ).toMatchObject({ ok: false, failure: { kind: 'not-found' } });
    expect(ports.actions).toEqual([]);
  });
});

describe('asking a price', () => {
  const document = withPromotions(
    change('spring', {
      formula: { percentOff: 1500 },
      rounding: { step: '0.05', mode: 'up' },
      items: { node: 'sun' },
    }),
    change('top', { onTop: true, formula: { percentOff: 500 } }),
    change('staff', { who: { groups: ['staff'] }, linePrices: { spray: '5.00' }, priority: 1 }),
  );
  const asking = (request: object, who = viewer) =>
    askPrice(inMemory(document), who, { store: 'east', item: 'milk', at: '2027-04-14T12:00', ...request });

  it('is answered with every step', async () => {
    expect(await asking({})).toMatchObject({
      ok: true,
      value: {
        price: '20.14',
        regular: { price: '24.90', scope: 'chain', since: null },
        base: { price: '24.90', list: null },
        winner: { id: 'spring', working: '15 % less on 24.90 is 21.165, rounded up to 0.05: 21.20' },
        onTop: [{ id: 'top', before: '21.20', after: '20.14' }],
        lost: [{ id: 'staff', reason: 'wrong-shopper', result: null }],
      },
    });
  });

  it('names the price list, and a price of the item’s own', async () => {
    expect(await asking({ item: 'spray', group: 'staff' })).toMatchObject({
      ok: true,
      value: {
        base: { price: '8.50', list: 'Staff' },
        winner: { working: 'a price of its own for this item: 5.00' },
      },
    });
  });

  it('names every deal that takes the item in, and what so many of it come to', async () => {
    const pair = offer('pair', {
      kind: 'mixAndMatch',
      items: { items: ['milk'] },
      take: 2,
      value: { total: '35.00' },
    });
    const plan = withPromotions(pair, { ...pair, id: 'off', status: 'paused' });
    const asked = { store: 'east', item: 'milk', at: '2027-04-14T12:00' };
    const outcome = await askPrice(inMemory(plan), viewer, asked);
    if (!outcome.ok) throw new Error('refused');
    expect(outcome.value.deals).toMatchObject([
      { id: 'pair', reason: null, sentence: expect.stringContaining('2 of') },
      { id: 'off', reason: 'switched-off' },
    ]);
    expect(outcome.value.ladder.slice(0, 2)).toEqual([
      { quantity: 1, goods: '24.90', each: '24.90', deals: [] },
      { quantity: 2, goods: '35.00', each: '17.50', deals: [{ id: 'pair', name: 'pair' }] },
    ]);
    const none = await askPrice(inMemory(plan), viewer, { ...asked, item: 'bar' });
    expect(none).toMatchObject({ value: { deals: [], ladder: [] } });
  });

  it('tells the week before and after in steps without a gap', async () => {
    const outcome = await asking({ at: '2027-03-01T09:00' });
    if (!outcome.ok) throw new Error('refused');
    const { steps } = outcome.value;
    expect(steps.map(({ price }) => price)).toEqual(['24.90', '20.14']);
    expect(steps[0]).toMatchObject({ from: '2027-02-22T09:00', to: '2027-03-01T09:00', promotion: null });
    expect(steps[1]).toMatchObject({ to: '2027-03-08T09:00', promotion: { id: 'spring', name: 'spring' } });
  });

  it('is refused for another’s store, and told apart from what is not there', async () => {
    expect(await asking({ store: 'west' }, atEast)).toMatchObject({ failure: { kind: 'forbidden' } });
    expect(await asking({ store: 'nowhere' })).toMatchObject({ failure: { kind: 'not-found' } });
    expect(await asking({ item: 'nothing' })).toMatchObject({ failure: { kind: 'not-found' } });
    expect(await asking({ at: 'noon' })).toMatchObject({
      failure: { kind: 'invalid', faults: [{ path: ['at'] }] },
    });
    expect(await asking({ group: 'nobody' })).toMatchObject({
      failure: { kind: 'invalid', faults: [{ path: ['group'] }] },
    });
  });
});

describe('opening a promotion', () => {
  const ports = () =>
    inMemory(withPromotions(change('both'), change('west', { where: { stores: ['west'] } })));

  it('shows it with its revision and history', async () => {
    expect(await openPromotion(ports(), viewer, 'west')).toMatchObject({
      ok: true,
      value: { promotion: { id: 'west' }, revision: 1, history: [] },
    });
  });

  it.each([
    ['both', true],
    ['west', false],
    ['nothing', false],
  ])('to a store’s person %s is there: %s', async (id, there) => {
    const outcome = await openPromotion(ports(), atEast, id);
    expect(outcome.ok).toBe(there);
    if (!outcome.ok) expect(outcome.failure).toEqual({ kind: 'not-found', what: `promotion ${id}` });
  });
});

describe('a preview for a store’s person', () => {
  it.each([
    ['east', {}, true],
    ['west', {}, false],
    [null, {}, false],
    ['east', { where: { stores: ['west'] } }, false],
  ])('in %s of a change with %j is shown: %s', async (store, said, shown) => {
    const outcome = await previewPromotion(inMemory(SMALL), atEast, { promotion: change('d', said), store });
    expect(outcome.ok).toBe(shown);
  });
});

describe('a preview', () => {
  it('shows what loses money first, then what changes, then the rest', async () => {
    const document = withPromotions(
      change('first', { priority: 1, items: { items: ['oil'] }, formula: { percentOff: 100 } }),
    );
    const promotion = change('draft', { items: { node: 'sun' }, formula: { percentOff: 6000 } });
    const outcome = await previewPromotion(inMemory(document), planner, { promotion, store: null });
    if (!outcome.ok) throw new Error('refused');
    expect(outcome.value.lines.map(({ sku }) => sku)).toEqual(['milk', 'spray', 'oil']);
    expect(outcome.value).toMatchObject({
      belowCost: 1,
      changed: 2,
      meets: [{ id: 'first', priority: 1, wins: true }],
    });
  });

  it('is of price changes only', async () => {
    const promotion = { ...change('d'), offer: { kind: 'deliveryReward', value: { free: true } } };
    expect(await previewPromotion(inMemory(SMALL), planner, { promotion, store: null })).toMatchObject({
      failure: { kind: 'invalid' },
    });
  });
});

describe('lists', () => {
  it('of promotions are those that count where one may look', async () => {
    const ports = inMemory(withPromotions(change('both'), change('west', { where: { stores: ['west'] } })));
    const ids = async (...asked: [Parameters<typeof listPromotions>[1], string[]?]) =>
      (await listPromotions(ports, ...asked)).map(({ id }) => id);
    expect(await ids(viewer)).toEqual(['both', 'west']);
    expect(await ids(atEast)).toEqual(['both']);
    expect(await ids(viewer, ['east'])).toEqual(['both']);
    expect((await listPromotions(ports, viewer))[1]).toMatchObject({
      stores: 1,
      priority: 100,
      to: '2027-06-01T20:00',
    });
  });

  it('of items leave parents out, and need every word', async () => {
    // Of the goods that stand, and of a plan as it was known, in which the database cannot search.
    for (const known of [undefined, '2027-03-01T09:00Z']) {
      const found = async (q: string) =>
        (await searchItems(inMemory(SMALL), { q, known })).map(({ sku }) => sku);
      expect(await found('gel')).toEqual(['gel-50', 'gel-90']);
      expect(await found('SUN spr')).toEqual(['spray']);
      expect(await found('sun gel')).toEqual([]);
    }
  });

  it('of choices name everything once, in order', async () => {
    expect(await listChoices(inMemory(SMALL), person('planner'))).toMatchObject({
      currency: 'EUR',
      brands: ['Wrenfold'],
      itemTags: ['new'],
      channels: ['app', 'till', 'web'],
    });
  });

  it('of stores say whose prices they have', async () => {
    const room = await lookAtStockroom(inMemory(SMALL), atEast);
    expect(room.stores).toEqual([
      {
        id: 'east',
        name: 'East',
        timeZone: 'Europe/Madrid',
        zone: 'Mainland',
        region: 'Coast',
        tags: ['city'],
        terminals: 1,
      },
    ]);
  });
});

describe('an item', () => {
  const ranges = [
    { id: 'beauty', name: 'Beauty', stores: { all: true as const }, items: { node: 'beauty' } },
    {
      id: 'cheap',
      name: 'Cheap things',
      stores: { stores: ['west'] },
      items: { regularPrice: { atMost: '1.00' } },
    },
  ];
  const document = {
    ...withPromotions(
      change('sun', { items: { node: 'sun' } }),
      change('cheap', { items: { regularPrice: { atMost: '0.95' } } }),
      change('parent', { items: { items: ['gel'] } }),
      change('west', { where: { stores: ['west'] } }),
      offer('pair', {
        kind: 'combo',
        slots: [
          { name: 'one', items: { items: ['oil'] }, quantity: 1 },
          { name: 'other', items: { items: ['spray'] }, quantity: 1 },
        ],
        value: { percentOff: 1000 },
      }),
      offer('gift', {
        kind: 'freeGoods',
        items: { items: ['spray'] },
        count: 'item',
        every: 2,
        free: 1,
        parts: 'whole',
        gift: 'bar',
      }),
    ),
    ranges,
  };
  const look = (sku: string, who = viewer) =>
    lookAtItem(inMemory(document), who, sku, { store: { id: 'east' }, at: '2027-05-14T12:00' });

  it('tells its prices by place and date, nearest and newest first', async () => {
    expect((await look('bar'))?.prices).toEqual([
      { of: 'store', place: 'West', since: '2027-05-01', price: '0.90' },
      { of: 'zone', place: 'Isles', since: null, price: '1.10' },
      { of: 'chain', place: null, since: '2027-06-01', price: '1.20' },
      { of: 'chain', place: null, since: null, price: '1.00' },
    ]);
    expect((await look('bar', atEast))?.prices.map(({ of }) => of)).toEqual(['chain', 'chain']);
  });

  it('tells what it costs in each price zone, now and later, and what is paid there', async () => {
    expect((await look('bar'))?.byZone).toEqual([
      {
        zone: 'Mainland',
        regular: [
          { from: null, price: '1.00' },
          { from: '2027-06-01', price: '1.20' },
        ],
        stores: 0,
        paid: null,
      },
      {
        zone: 'Isles',
        regular: [{ from: null, price: '1.10' }],
        stores: 1,
        paid: { low: '0.81', high: '0.81' },
      },
    ]);
    expect((await look('milk'))?.byZone).toMatchObject([
      { stores: 1, paid: { low: '22.41' } },
      { stores: 1, paid: { low: '22.41' } },
    ]);
    expect((await look('milk', atEast))?.byZone.map(({ zone }) => zone)).toEqual(['Mainland']);
  });

  it('tells through which ranges it is carried, and whether here', async () => {
    expect((await look('milk'))?.ranges).toEqual([{ name: 'Beauty', stores: 2, here: true }]);
    expect((await look('bar'))?.ranges).toEqual([{ name: 'Cheap things', stores: 1, here: false }]);
    expect((await look('unpriced'))?.ranges).toEqual([]);
  });

  it.each([
    ['milk', ['sun', 'west']],
    ['bar', ['cheap', 'gift', 'west']],
    ['spray', ['gift', 'pair', 'sun', 'west']],
    ['oil', ['pair', 'sun', 'west']],
    ['gel-50', ['parent', 'west']],
    ['gel', ['parent', 'west']],
  ])('%s is touched by %j', async (sku, wanted) => {
    expect((await look(sku))?.promotions.map(({ id }) => id).sort()).toEqual(wanted);
  });

  it('knows its family and its place in the hierarchy', async () => {
    expect(await look('gel')).toMatchObject({
      parent: null,
      variants: [{ sku: 'gel-50' }, { sku: 'gel-90' }],
    });
    expect(await look('gel-50')).toMatchObject({ parent: { sku: 'gel' }, hierarchy: ['Beauty'] });
    expect(await look('milk')).toMatchObject({
      hierarchy: ['Beauty', 'Sun care'],
      cost: '12.00',
      tags: ['new'],
    });
    expect(await look('nothing')).toBeNull();
  });
});

describe('today', () => {
  const view = (at: string): LensView => ({
    lens: { where: null, at: null, shopper: null },
    store: { id: 'east', name: 'East', timeZone: 'Europe/Madrid' },
    group: null,
    at,
    now: at,
    shopper: null,
    known: null,
    missing: null,
    days: [],
  });
  const document = {
    ...withPromotions(
      change('live'),
      change('soon', { when: { from: '2027-04-20T09:00' } }),
      change('later', { when: { from: '2027-05-20T09:00' } }),
      change('ends', {
        when: { from: '2027-04-01T09:00', to: '2027-04-15T20:00' },
        formula: { percentOff: 9000 },
        items: { items: ['milk'] },
        priority: 1,
      }),
      change('open', { when: { from: '2027-04-01T09:00' }, items: { items: ['bar'] } }),
      change('draft', { status: 'draft' }),
    ),
    policy: { marginFloor: 5500 },
  };
  const look = (at: string, loopholes = loopholesInMemory(), who = planner) => {
    const sending = quietSending();
    const memory = inMemory(document);
    const ports = {
      ...memory,
      checks: checksInMemory(),
      findings: findingsInMemory(),
      loopholes,
      hour: hourInMemory(),
      sending,
      compare: storeComparison(sending, memory.heldBack),
      people: peopleInMemory().ports.people,
      codes: codesInMemory().codes,
      joins: { waiting: async () => [] } as unknown as JoinStore,
      past: { known: async () => null } as unknown as PlanPast,
      shelf: { hung: async () => [] } as unknown as ShelfStore,
    };
    return lookAtToday(ports, who, view(at), Date.parse('2027-04-14T10:00:00Z') as never);
  };

  it('tells the basket that loses most, once the plan was searched, to whom costs are shown', async () => {
    const loopholes = loopholesInMemory();
    const at = '2027-04-14T12:00';
    const losing = async (who = planner) => (await look(at, loopholes, who)).losing;
    expect(await losing()).toBe(null);
    const one = (margin: string) => ({
      ...{ store: { id: 'east', name: 'East' }, stores: 2, at: '2027-04-15T11:00:00' },
      loophole: {
        ...{ margin, goods: '1.00', cost: '9.00', units: 1, promotions: [], lines: [], codes: [], mends: [] },
        loses: true,
      },
    });
    const found = [one('-8.00'), one('-2.00')];
    await loopholes.keep(1, '2027-04-14', { found, searches: 1, isWhole: false });
    expect(await losing()).toBe(null);
    await loopholes.keep(1, '2027-04-14', { found, searches: 2, isWhole: true });
    expect(await losing()).toEqual({ count: 2, most: '8.00', currency: 'EUR', at: '2027-04-15T11:00' });
    expect(await losing({ ...planner, costs: false })).toBe(null);
  });

  it('tells what is live, starts, ends, waits and was found, at the lens’s moment', async () => {
    const today = await look('2027-04-14T12:00');
    expect(today.live).toBe(3);
    expect(today.starting.map(({ id }) => id)).toEqual(['soon']);
    expect(today.ending.map(({ id }) => id)).toEqual(['ends']);
    expect(today.drafts.map(({ id }) => id)).toEqual(['draft']);
    expect([today.toApprove, today.sentBack, today.submitted]).toEqual([[], [], []]);
    expect(today.unsent.stores).toBe(2);
    expect(today.findings).toEqual([
      { code: 'open-end', promotion: { id: 'open', name: 'open' } },
      {
        code: 'below-cost',
        items: 1,
        stores: 2,
        worst: { sku: 'milk', name: 'Sun milk', store: { id: 'east', name: 'East' } },
      },
    ]);
  });

  it('travels with the lens', async () => {
    expect((await look('2027-05-15T12:00')).starting.map(({ id }) => id)).toEqual(['later']);
  });
});

describe('sending', () => {
  it('is for those who may, under the version that was reviewed', async () => {
    const sending = quietSending();
    const signer = quietKeys();
    const memory = inMemory(withPromotions(change('a')));
    const maker = priceFileMaker({ book: memory.book, sending, signer });
    const ports = { ...memory, sending, maker, compare: storeComparison(sending, memory.heldBack) };
    const now = Date.parse('2027-04-14T10:00:00Z') as never;
    expect(
      await sendPriceFiles(ports, planner, { stores: null, planVersion: 1, held: [] }, now),
    ).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect(
      await sendPriceFiles(ports, approver, { stores: null, planVersion: 2, held: [] }, now),
    ).toMatchObject({
      failure: { kind: 'conflict' },
    });
    expect(
      await sendPriceFiles(ports, approver, { stores: ['west'], planVersion: 1, held: [] }, now),
    ).toEqual({
      ok: true,
      value: { rollout: 1, stores: 1 },
    });
    expect(
      await sendPriceFiles(ports, approver, { stores: ['nowhere'], planVersion: 1, held: [] }, now),
    ).toEqual({
      ok: true,
      value: { rollout: null, stores: 0 },
    });
  });
});
