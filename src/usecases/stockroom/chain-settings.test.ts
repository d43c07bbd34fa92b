import { expect, it } from 'vitest';
import { checksInMemory, inMemory, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { ChainRequest } from '../../contracts/index.ts';
import type { Instant } from '../../core/calendar/index.ts';
import { changeChain, lookAtChain } from '../index.ts';
import type { ChainSettings } from '../ports/index.ts';

const basil = person('administrator');
const NOW = Date.parse('2027-03-01T10:00:00Z') as Instant;
const SAID: ChainRequest = {
  ...{ name: 'Quillmere', priceChanges: 'priority', baskets: 'best', marginFloor: null, planVersion: 1 },
};

/** Two changes of one price: the first by priority is not the lower one. */
const chain = () => {
  const kept: ChainSettings[] = [];
  const when = { from: '2027-03-01T00:00', to: '2027-03-08T00:00' };
  const plan = withPromotions(
    change('first', { when, priority: 1, formula: { percentOff: 1_000 } }),
    change('lower', { when, priority: 2, formula: { percentOff: 3_000 } }),
  );
  const ports = {
    ...inMemory(plan),
    checks: checksInMemory(),
    chain: {
      change: async (settings: ChainSettings) => {
        kept.push(settings);
        return 2;
      },
    },
  };
  return { ports, kept };
};

it('is looked at and changed by administrators alone', async () => {
  const { ports, kept } = chain();
  for (const who of [person('planner'), person('approver'), person('viewer')]) {
    expect(await lookAtChain(ports, who)).toMatchObject({ failure: { kind: 'forbidden' } });
    expect(await changeChain(ports, who, SAID, NOW)).toMatchObject({ failure: { kind: 'forbidden' } });
  }
  expect(kept).toEqual([]);
  expect(await lookAtChain(ports, basil)).toMatchObject({
    value: { currency: 'EUR', priceChanges: 'priority', baskets: 'best', marginFloor: null, planVersion: 1 },
  });
});

it('says before it is kept which prices another policy would make others, and keeps nothing', async () => {
  const { ports, kept } = chain();
  const dry = await changeChain(ports, basil, { ...SAID, priceChanges: 'lowest', dry: true }, NOW);
  expect(dry).toMatchObject({ value: { effect: { prices: { up: 0, stores: 2 } } } });
  const { effect } = (dry as { value: { effect: { prices: { down: number; items: number } } } }).value;
  expect(effect.prices.down).toBeGreaterThan(0);
  expect(effect.prices.items).toBeGreaterThan(0);
  const named = await changeChain(
    ports,
    basil,
    { ...SAID, name: 'Another', marginFloor: 500, dry: true },
    NOW,
  );
  expect(named).toMatchObject({ value: { effect: null } });
  expect(kept).toEqual([]);
});

it('is kept as it was said, and only where something is another', async () => {
  const { ports, kept } = chain();
  const said = { ...SAID, priceChanges: 'lowest', marginFloor: 1_250 } as const;
  expect(await changeChain(ports, basil, said, NOW)).toMatchObject({
    value: { priceChanges: 'lowest', marginFloor: 1_250, planVersion: 2, effect: null },
  });
  expect(kept).toEqual([
    { name: 'Quillmere', policy: { priceChanges: 'lowest', baskets: 'best', marginFloor: 1_250 } },
  ]);
});

it('is not kept over a plan that somebody changed meanwhile', async () => {
  const { ports, kept } = chain();
  expect(await changeChain(ports, basil, { ...SAID, planVersion: 7 }, NOW)).toMatchObject({
    failure: { kind: 'conflict', code: 'plan-changed', current: { planVersion: 1 } },
  });
  expect(kept).toEqual([]);
});
