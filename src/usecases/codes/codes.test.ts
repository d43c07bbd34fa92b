import { describe, expect, it, test } from 'vitest';
import { basketPlan, offer } from '../../../tests/plans/basket-plan.ts';
import { codesInMemory } from '../../../tests/plans/codes-in-memory.ts';
import { inMemory, person } from '../../../tests/plans/ports.ts';
import type { CodeBatchRequest, Outcome } from '../../contracts/index.ts';
import { parseWallTime } from '../../core/calendar/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { UseMade } from '../ports/index.ts';
import { vouchCodes } from '../vouch/index.ts';
import {
  fillCodeBatches,
  findCode,
  makeCodeBatch,
  stepCodeBatch,
  takeCodeList,
  throwOldListsAway,
  withdrawCode,
} from './index.ts';

const NOW = new Date('2027-03-01T11:00:00Z');
const CLOCK = { today: parseWallTime('2027-03-01T12:00')!, now: NOW };
const reward: PromotionDocument['offer'] = {
  ...{ kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1.00', percentOff: 500 }] },
};
const PLAN = basketPlan({ x: '10.00' }, [
  offer('welcome', reward, { codeBatches: true }),
  offer('shared', reward, { codes: ['ALL-OF-US'] }),
  offer('gone', reward, { codeBatches: true, status: 'archived' }),
]);
const ASKED: CodeBatchRequest = {
  count: 3,
  pattern: { length: 8, of: 'both', prefix: 'Q-', suffix: '', dashEvery: 4 },
  ...{ from: null, to: null, test: false },
};
const asking = (more: Partial<CodeBatchRequest>) => ({ ...ASKED, ...more });
const patterned = (more: Partial<CodeBatchRequest['pattern']>, count = 3) =>
  asking({ count, pattern: { ...ASKED.pattern, ...more } });

const ines = person('planner');
const viewer = person('viewer');
/** Ports with one whole batch of `welcome`, and its codes. */
async function made(request = ASKED) {
  const ports = { ...inMemory(PLAN), ...codesInMemory(), uses: noUses() };
  const begun = await makeCodeBatch(ports, ines, 'welcome', request, CLOCK);
  while (await fillCodeBatches(ports));
  const list = await takeCodeList(ports, ines, valueIn(begun).id);
  return { ports, codes: valueIn(list).codes };
}
const noUses = () => {
  const of = new Map<string, UseMade[]>();
  return { of, ofKey: async (key: string) => of.get(key) ?? [] } as never as {
    of: Map<string, UseMade[]>;
  } & Parameters<typeof findCode>[0]['uses'];
};
function valueIn<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.failure));
  return outcome.value;
}
const faultsOf = (outcome: Outcome<unknown>) =>
  outcome.ok ? [] : 'faults' in outcome.failure ? outcome.failure.faults : [outcome.failure.kind];

describe('a batch', () => {
  it('is made of as many codes as were asked for, each of its pattern and none twice', async () => {
    const { codes, ports } = await made(asking({ count: 500 }));
    expect(new Set(codes).size).toBe(500);
    for (const code of codes)
      expect(code).toMatch(/^Q-[CDFGHJKMNPQRTVWXY3479]{4}-[CDFGHJKMNPQRTVWXY3479]{4}$/);
    expect(ports.deeds).toEqual(['500 codes asked for', 'list taken by planner']);
  });

  test.each<[string, string, CodeBatchRequest, (string | number)[], RegExp]>([
    ['no promotion that is put away', 'gone', ASKED, [], /nobody could use/],
    ['no promotion that asks for none', 'shared', ASKED, [], /would be given without one/],
    [
      'no look-alike before it',
      'welcome',
      patterned({ prefix: 'SOL' }),
      ['pattern', 'prefix'],
      /“S”, “O”, “L”/,
    ],
    [
      'no look-alike after it',
      'welcome',
      patterned({ suffix: '-8' }),
      ['pattern', 'suffix'],
      /“8” is easily/,
    ],
    ['no dash beyond its signs', 'welcome', patterned({ dashEvery: 8 }), ['pattern', 'dashEvery'], /no dash/],
    [
      'more than every second code of its pattern',
      'welcome',
      patterned({ length: 4, of: 'digits', dashEvery: null }, 2_049),
      ['count'],
      /gives 4096 codes/,
    ],
    [
      'an end before its beginning',
      'welcome',
      asking({ from: '2027-05-02', to: '2027-05-01' }),
      ['to'],
      /before/,
    ],
    ['an end that is over', 'welcome', asking({ to: '2027-02-28' }), ['to'], /is over/],
    ['test codes without an end', 'welcome', asking({ test: true }), ['to'], /without an end/],
    [
      'hundreds of test codes',
      'welcome',
      asking({ test: true, to: '2027-03-09', count: 21 }),
      ['count'],
      /21/,
    ],
  ])('may have %s', async (_, promotion, request, path, words) => {
    const ports = { ...inMemory(PLAN), ...codesInMemory() };
    const refused = await makeCodeBatch(ports, ines, promotion, request, CLOCK);
    expect(faultsOf(refused)).toEqual([
      { path, what: expect.stringMatching(words), wanted: expect.any(String) },
    ]);
    expect(ports.batches).toEqual([]);
  });

  it('counts what was made before of the same promotion', async () => {
    const four = (count: number) => patterned({ length: 4, of: 'digits', dashEvery: null }, count);
    const { ports } = await made(four(2_000));
    expect(faultsOf(await makeCodeBatch(ports, ines, 'welcome', four(49), CLOCK))).toMatchObject([
      { path: ['count'], wanted: 'at most 48, or longer codes' },
    ]);
    expect((await makeCodeBatch(ports, ines, 'welcome', four(48), CLOCK)).ok).toBe(true);
  });

  it('is made, listed and withdrawn by who plans, and by nobody else', async () => {
    const { ports, codes } = await made();
    const refused = [
      await makeCodeBatch(ports, viewer, 'welcome', ASKED, CLOCK),
      await takeCodeList(ports, viewer, 1),
      await stepCodeBatch(ports, viewer, 1, { step: 'withdraw' }, CLOCK),
      await withdrawCode(ports, viewer, codes[0]!, NOW),
    ];
    expect(refused.map(faultsOf)).toEqual(Array(4).fill(['forbidden']));
    expect(faultsOf(await takeCodeList(ports, ines, 99))).toEqual(['not-found']);
    expect(faultsOf(await makeCodeBatch(ports, ines, 'nothing', ASKED, CLOCK))).toEqual(['not-found']);
  });

  it('has a list until that is thrown away, by hand or when it is two weeks old', async () => {
    const { ports } = await made();
    await throwOldListsAway(ports, NOW.getTime() + 13 * 86_400_000);
    expect((await takeCodeList(ports, ines, 1)).ok).toBe(true);
    await throwOldListsAway(ports, NOW.getTime() + 15 * 86_400_000);
    expect(faultsOf(await takeCodeList(ports, ines, 1))).toEqual(['not-found']);
    const other = await made();
    await stepCodeBatch(other.ports, ines, 1, { step: 'throw-list-away' }, CLOCK);
    expect(faultsOf(await takeCodeList(other.ports, ines, 1))).toEqual(['not-found']);
  });

  it('is good for longer, or shorter, where its end is moved', async () => {
    const { ports, codes } = await made(asking({ from: '2027-02-10', to: '2027-03-05' }));
    const move = (to: string | null) => stepCodeBatch(ports, ines, 1, { step: 'move-end', to }, CLOCK);
    const days = async () => Object.values((await vouchCodes(ports, 'x', [codes[0]!], 0)).codes)[0];
    expect((await move('2027-04-30')).ok).toBe(true);
    expect(await days()).toMatchObject({ from: '2027-02-10', to: '2027-04-30' });
    expect((await move(null)).ok).toBe(true);
    expect(await days()).toMatchObject({ to: null });
    expect(faultsOf(await move('2027-02-28'))).toMatchObject([{ path: ['to'], what: '2027-02-28 is over' }]);
    expect(ports.deeds.slice(-1)).toEqual(['end of codes moved']);
  });

  it('keeps its list while it is being made', async () => {
    const ports = { ...inMemory(PLAN), ...codesInMemory() };
    await makeCodeBatch(ports, ines, 'welcome', ASKED, CLOCK);
    expect(faultsOf(await stepCodeBatch(ports, ines, 1, { step: 'throw-list-away' }, CLOCK))).toMatchObject([
      { path: ['step'] },
    ]);
  });
});

describe('a code', () => {
  const vouch = async ({ ports, codes }: Awaited<ReturnType<typeof made>>, who = 'till:t1') =>
    (await vouchCodes(ports, who, [codes[0]!.toLowerCase(), 'none'], NOW.getTime())).codes;

  it('is vouched for however it is typed, with its promotion, its days and how it stands', async () => {
    const all = await made(asking({ from: '2027-03-01', to: '2027-03-31' }));
    const said = all.codes[0]!.toLowerCase();
    const key = expect.stringMatching(/^batch:1:[0-9a-f]{32}$/);
    const good = {
      promotion: 'welcome',
      key,
      from: '2027-03-01',
      to: '2027-03-31',
      withdrawn: false,
      test: false,
    };
    expect(await vouch(all)).toEqual({ [said]: good });
    await withdrawCode(all.ports, ines, all.codes[1]!, NOW);
    expect(await vouch(all)).toEqual({ [said]: good });
    await withdrawCode(all.ports, ines, said, NOW);
    expect(await vouch(all)).toEqual({ [said]: { ...good, withdrawn: true } });
  });

  it('is withdrawn with its batch', async () => {
    const all = await made();
    await stepCodeBatch(all.ports, ines, 1, { step: 'withdraw' }, CLOCK);
    expect(Object.values(await vouch(all))).toMatchObject([{ withdrawn: true }]);
  });

  it('is told to nobody where too many wrong ones were tried, a right one neither', async () => {
    const { ports, codes } = await made();
    const tried = (text: string) => vouchCodes(ports, 'till:t1', [text], NOW.getTime());
    // Right ones cost nothing, however many.
    for (let i = 0; i < 50; i++) expect((await tried(codes[0]!)).wait).toBe(0);
    for (let i = 0; i < 20; i++) expect((await tried(`wrong-${i}`)).wait).toBe(0);
    expect(await tried(codes[0]!)).toEqual({ codes: {}, wait: 60_000 });
    // Another till is no worse for it.
    expect(Object.keys((await vouchCodes(ports, 'till:t2', [codes[0]!], 0)).codes)).toEqual([codes[0]]);
  });

  it('is found by who has it before them, with who used it', async () => {
    const { ports, codes } = await made(asking({ to: '2027-03-31' }));
    const find = (code: string) => findCode(ports, viewer, code, CLOCK);
    expect(await find(codes[0]!)).toMatchObject({
      value: { promotion: { id: 'welcome' }, batch: { id: 1, test: false }, state: 'good', uses: [] },
    });
    const [{ key } = { key: '' }] = Object.values((await vouchCodes(ports, 'x', [codes[0]!], 0)).codes);
    ports.uses.of.set(key, [
      { key, terminal: 't1', store: 'shop', basket: 'basket-1', at: NOW, over: false, units: 1, worth: 100 },
    ]);
    expect(await find(codes[0]!)).toMatchObject({
      value: { state: 'used', uses: [{ terminal: 't1', storeName: 'Shop', at: NOW.toISOString() }] },
    });
    await withdrawCode(ports, ines, codes[1]!, NOW);
    expect(await find(codes[1]!)).toMatchObject({ value: { state: 'withdrawn' } });
    expect(await find('all of us')).toMatchObject({ value: { promotion: { id: 'shared' }, batch: null } });
    const later = { ...CLOCK, today: parseWallTime('2027-04-01T00:00')! };
    expect(await findCode(ports, viewer, codes[2]!, later)).toMatchObject({ value: { state: 'over' } });
  });

  it('is looked for no longer by who has tried too many', async () => {
    const { ports } = await made();
    const tries = [];
    for (let i = 0; i < 102; i++) tries.push(faultsOf(await findCode(ports, viewer, `none-${i}`, CLOCK))[0]);
    expect(tries).toEqual([...Array(100).fill('not-found'), 'slowed', 'slowed']);
  });
});
