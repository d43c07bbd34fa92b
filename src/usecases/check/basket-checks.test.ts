import { describe, expect, it } from 'vitest';
import { basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { checksInMemory, inMemory, person } from '../../../tests/plans/ports.ts';
import type { BasketCheckRequest } from '../../contracts/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { dropBasketCheck, keepBasketCheck, runBasketChecks } from '../index.ts';

const planner = person('planner');
/** A Wednesday, 11:00 in Madrid. */
const WEDNESDAY = Date.parse('2027-03-03T10:00:00Z') as never;
const THREE_FOR_TEN = offer('three', {
  kind: 'mixAndMatch',
  items: { items: ['tea'] },
  take: 3,
  value: { total: '10.00' },
});

const ports = (promotions: PromotionDocument[] = [THREE_FOR_TEN]) => ({
  ...inMemory(basketPlan({ tea: '4.00', cup: '9.00' }, promotions)),
  checks: checksInMemory(),
});

const family = (more: Partial<BasketCheckRequest> = {}): BasketCheckRequest => ({
  name: 'Family basket',
  basket: { store: 'shop', lines: [{ sku: 'tea', quantity: 3 }] },
  moment: { next: 'sat', time: '10:00' },
  atMost: '11.00',
  ...more,
});

const keep = async (all: ReturnType<typeof ports>, request: BasketCheckRequest) => {
  const kept = await keepBasketCheck(all, planner, request, WEDNESDAY);
  if (!kept.ok) throw new Error(JSON.stringify(kept.failure));
  return kept.value;
};

describe('a basket kept as a check', () => {
  it.each<[Partial<BasketCheckRequest>, object]>([
    [{}, { at: '2027-03-06T10:00', total: '10.00', holds: true }],
    [{ atMost: '9.99' }, { total: '10.00', holds: false }],
    [{ atMost: '10.00', atLeast: '10.00' }, { holds: true }],
    [{ atLeast: '10.01' }, { holds: false }],
    [{ moment: { next: 'wed', time: '12:00' } }, { at: '2027-03-03T12:00' }],
    [{ moment: { next: 'wed', time: '11:00' } }, { at: '2027-03-10T11:00' }],
    [{ moment: { at: '2026-12-01T10:00' } }, { at: '2026-12-01T10:00', total: '12.00', holds: false }],
  ])('with %j comes to %j', async (more, wanted) => {
    expect((await keep(ports(), family(more))).result).toMatchObject(wanted);
  });

  it('is rung again when the plan has changed, and only then', async () => {
    const all = ports();
    await keep(all, family());
    expect(all.checks.runs).toBe(1);
    expect(await runBasketChecks(all, planner, WEDNESDAY)).toMatchObject([{ result: { holds: true } }]);
    expect(all.checks.runs).toBe(1);
    await all.promotions.save({ ...THREE_FOR_TEN, status: 'paused' }, 1, { person: 'x', action: 'paused' });
    expect(await runBasketChecks(all, planner, WEDNESDAY)).toMatchObject([
      { result: { holds: false, total: '12.00', planVersion: 2 } },
    ]);
    expect(all.checks.runs).toBe(2);
  });

  it('is rung again when its weekday has come and gone', async () => {
    const all = ports();
    await keep(all, family());
    const later = Date.parse('2027-03-08T10:00:00Z') as never;
    expect(await runBasketChecks(all, planner, later)).toMatchObject([
      { result: { at: '2027-03-13T10:00' } },
    ]);
  });

  it('fails, and says why, where something in it cannot be sold any more', async () => {
    const all = ports();
    await all.checks.put(
      {
        ...family(),
        basket: {
          store: 'shop',
          lines: [
            { sku: 'tea', quantity: 3 },
            { sku: 'gone', quantity: 1 },
          ],
        },
        atMost: '11.00',
        atLeast: null,
        result: null,
      },
      'x',
    );
    const [view] = await runBasketChecks(all, planner, WEDNESDAY);
    expect(view!.result).toMatchObject({ holds: false });
    expect(view!.result.problems.join()).toContain('gone');
  });

  it('replaces one of the same name, and can be thrown away', async () => {
    const all = ports();
    const first = await keep(all, family());
    const second = await keep(all, family({ atMost: '5.00' }));
    expect(second.id).toBe(first.id);
    expect(await runBasketChecks(all, planner, WEDNESDAY)).toHaveLength(1);
    expect((await dropBasketCheck(all, planner, first.id)).ok).toBe(true);
    expect(await dropBasketCheck(all, planner, first.id)).toMatchObject({ failure: { kind: 'not-found' } });
  });

  it.each<[Partial<BasketCheckRequest>, string]>([
    [{ basket: { store: 'nowhere', lines: [{ sku: 'tea', quantity: 1 }] } }, 'store'],
    [{ basket: { store: 'shop', lines: [] } }, 'lines'],
    [{ basket: { store: 'shop', lines: [{ sku: 'tea', quantity: -1 }] } }, 'quantity'],
    [{ atMost: '1.234' }, 'atMost'],
    [{ moment: { at: 'soon' } }, 'at'],
  ])('with %j is refused at %s, and not kept', async (more, path) => {
    const all = ports();
    const refused = await keepBasketCheck(all, planner, family(more), WEDNESDAY);
    expect(refused).toMatchObject({ ok: false, failure: { kind: 'invalid' } });
    expect(JSON.stringify(refused)).toContain(path);
    expect(await all.checks.all()).toEqual([]);
  });

  it('is for planners to keep, and seen by a store’s people where it is theirs', async () => {
    const all = ports();
    expect(await keepBasketCheck(all, person('viewer'), family(), WEDNESDAY)).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    await keep(all, family());
    expect(await runBasketChecks(all, person('store', ['shop']), WEDNESDAY)).toHaveLength(1);
    expect(await runBasketChecks(all, person('store', ['other']), WEDNESDAY)).toEqual([]);
    expect(await dropBasketCheck(all, person('viewer'), 1)).toMatchObject({ failure: { kind: 'forbidden' } });
  });
});
