import { describe, expect, it } from 'vitest';
import { inMemory, nothingBefore, person } from '../../../tests/plans/ports.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { TrailRequest, TrailView } from '../../contracts/index.ts';
import type { HistoryStore, TrailEntry, TrailQuestion } from '../ports/index.ts';
import { lookAtTrail } from './look-at-trail.ts';

const CALLED_A = change('a');
const entry = (id: number, said: Partial<TrailEntry>): TrailEntry => ({
  ...{ id, at: `2027-03-01T09:00:00.${String(id).padStart(3, '0')}Z`, person: 'Ines', action: 'changed' },
  ...{ kind: 'entries', subject: 'items', before: null, after: { puts: [], drops: [] } },
  ...said,
});

function trail(entries: readonly TrailEntry[]) {
  const asked: TrailQuestion[] = [];
  const history: HistoryStore = {
    entries: async (question) => {
      asked.push(question);
      return entries.slice(0, question.limit);
    },
    people: async () => [{ id: 'ines', name: 'Ines' }],
  };
  const past = { ...nothingBefore, since: async () => Date.parse('2027-02-01T00:00:00Z') as never };
  const ports = { ...inMemory(withPromotions(CALLED_A)), past, history };
  const look = async (request: TrailRequest = {}, who = person('planner')): Promise<TrailView> => {
    const outcome = await lookAtTrail(ports, who, request);
    if (!outcome.ok) throw new Error(outcome.failure.kind);
    return outcome.value;
  };
  return { asked, look };
}

describe('what was done', () => {
  it('is told to people of the whole chain alone', async () => {
    await expect(trail([]).look({}, person('store', ['east']))).rejects.toThrow('forbidden');
  });

  it.each<[string, Partial<TrailEntry>, object]>([
    [
      'a promotion by its name, with what it was before',
      { kind: 'promotion', subject: 'a', before: CALLED_A, after: { ...CALLED_A, priority: 7 } },
      {
        about: { kind: 'promotion', id: 'a', name: CALLED_A.name },
        changes: [{ differences: [{ what: 'Priority', before: '100', after: '7' }] }],
      },
    ],
    [
      'a promotion that is gone by what it was called',
      { kind: 'promotion', subject: 'x', before: null, after: { ...CALLED_A, id: 'x', name: 'Was here' } },
      { about: { kind: 'promotion', id: 'x', name: 'Was here' }, changes: [] },
    ],
    [
      'another policy of the chain, in words',
      {
        ...{ kind: 'chain', subject: 'chain' },
        before: { name: 'Quillmere', policy: { priceChanges: 'priority', baskets: 'best' } },
        after: { name: 'Quillmere', policy: { priceChanges: 'lowest', baskets: 'best', marginFloor: 1_250 } },
      },
      {
        about: { kind: 'chain' },
        known: { before: expect.any(String), after: expect.any(String) },
        changes: [
          {
            differences: [
              {
                what: 'Which price change counts',
                before: 'the first by priority',
                after: 'the lowest price',
              },
              { what: 'Margin below which one is warned', before: '–', after: '12.5 %' },
            ],
          },
        ],
      },
    ],
    [
      'rules of the house, in words',
      {
        ...{ kind: 'work rules', subject: 'chain' },
        before: { house: { notEndingOn: [], longest: null, secondFrom: null, shutDays: [] } },
        after: {
          house: {
            ...{ notEndingOn: ['sun'], longest: 30, secondFrom: 5_000 },
            shutDays: [{ day: '2027-12-25', name: 'Midwinter' }],
          },
        },
      },
      {
        about: { kind: 'work-rules' },
        known: null,
        changes: [
          {
            differences: [
              { what: 'Nothing ends on', before: '–', after: 'Sunday' },
              { what: 'Days at most', before: '–', after: '30' },
              { what: 'Two approvals from', before: '–', after: '50 %' },
              { what: 'Days on which stores are shut', before: '–', after: 'Midwinter Sat 25 Dec 2027' },
            ],
          },
        ],
      },
    ],
    [
      'rules of work of which nobody kept what they were before',
      { kind: 'work rules', subject: 'chain', before: null, after: { another: true } },
      { about: { kind: 'work-rules' }, changes: [] },
    ],
    [
      'a row that is new',
      { before: { entries: [] }, after: { puts: [{ sku: 'n', name: 'New one', node: 'food' }], drops: [] } },
      { about: { kind: 'table', table: 'items', rows: 1 }, changes: [{ label: 'New one (n)', how: 'new' }] },
    ],
    [
      'a row that is gone, with what stood in it',
      {
        before: { entries: [{ sku: 'n', name: 'Old one', node: 'food' }] },
        after: { puts: [], drops: ['n'] },
      },
      {
        changes: [
          {
            how: 'gone',
            differences: expect.arrayContaining([{ what: 'Name', before: 'Old one', after: '' }]),
          },
        ],
      },
    ],
    [
      'a price with its place and day',
      {
        subject: 'prices',
        before: { entries: [{ sku: 'bar', price: '1.00', since: '2027-03-01' }] },
        after: { puts: [{ sku: 'bar', price: '2.00', since: '2027-03-01' }], drops: [] },
      },
      { changes: [{ how: 'changed', differences: [{ before: '1.00', after: '2.00' }] }] },
    ],
    [
      'a rule in words',
      {
        subject: 'ranges',
        before: { entries: [{ id: 'r', name: 'R', stores: { all: true }, items: { all: true } }] },
        after: {
          puts: [{ id: 'r', name: 'R', stores: { stores: ['west'] }, items: { all: true } }],
          drops: [],
        },
      },
      { changes: [{ differences: [{ what: 'Stores', before: 'all stores', after: 'West' }] }] },
    ],
    [
      'a row of which nobody kept what it was',
      { before: null, after: { puts: [{ sku: 'n', name: 'Some', node: 'food' }], drops: [] } },
      { changes: [{ how: 'changed' }] },
    ],
    [
      'rows by the thousand by their number',
      { kind: 'many-entries', after: { puts: 30_000, drops: 1 } },
      { about: { kind: 'table', table: 'items', rows: 30_001 }, changes: [] },
    ],
    [
      'a sending',
      { kind: 'sending', subject: '12', after: { stores: ['east', 'west'], promotions: [] } },
      { about: { kind: 'sending', number: 12, stores: 2 }, changes: [], known: null },
    ],
    ['a plan that came in', { kind: 'plan', subject: 'plan', after: null }, { about: { kind: 'plan' } }],
    [
      'a new key',
      { kind: 'signing key', subject: 'chain', after: null },
      { about: { kind: 'key' }, known: null },
    ],
    [
      'a new key of a terminal',
      { kind: 'terminal key', subject: 't1', after: null },
      { about: { kind: 'terminal', id: 't1' }, known: null },
    ],
  ])('tells %s', async (_, said, wanted) => {
    expect((await trail([entry(5, said)]).look()).entries[0]).toMatchObject(wanted);
  });

  it('tells no cost to somebody who sees none', async () => {
    const { look } = trail([
      entry(1, {
        before: { entries: [{ sku: 'n', name: 'One', node: 'food', cost: '1.00' }] },
        after: { puts: [{ sku: 'n', name: 'Two', node: 'food', cost: '1.50' }], drops: [] },
      }),
    ]);
    const told = async (costs: boolean) =>
      (await look({}, { ...person('planner'), costs })).entries[0]!.changes[0]!.differences.map(
        ({ what }) => what,
      );
    expect(await told(true)).toEqual(['Name', 'Cost']);
    expect(await told(false)).toEqual(['Name']);
  });

  it('leads to what was known just before and just after', async () => {
    const [told] = (await trail([entry(5, {})]).look()).entries;
    expect(told!.known).toEqual({ before: '2027-03-01T09:00:00.004Z', after: '2027-03-01T09:00:00.006Z' });
  });

  it.each([
    ['a draft that becomes another draft', 'draft', 'draft', false],
    ['one that is approved', 'draft', 'approved', true],
    ['one that is paused', 'approved', 'paused', true],
  ])('of %s leads to prices only where it can have changed any', async (_, was, is, leads) => {
    const states = { before: { ...CALLED_A, status: was }, after: { ...CALLED_A, status: is } };
    const [told] = (await trail([entry(5, { kind: 'promotion', subject: 'a', ...states })]).look()).entries;
    expect(told!.known !== null).toBe(leads);
  });

  it('goes on page by page, and asks for what it is narrowed to', async () => {
    const { look, asked } = trail(Array.from({ length: 60 }, (_, i) => entry(100 - i, {})));
    const first = await look({ item: 'bar', until: '2027-03-01' });
    expect([first.entries.length, first.before, first.of]).toEqual([50, 51, expect.stringMatching(/bar/i)]);
    expect(asked[0]).toMatchObject({
      row: { tables: ['items', 'prices', 'listPrices', 'setItems'], field: 'sku', value: 'bar' },
      // The day ends in the west an hour after it does in the east.
      until: new Date('2027-03-01T23:59:59.999Z'),
    });
    await look({ promotion: 'a', by: 'ines', before: 51 });
    expect(asked[1]).toMatchObject({
      kinds: ['promotion', 'proposal', 'codes'],
      subject: 'a',
      person: 'ines',
      before: 51,
    });
    await look({ part: 'sending' });
    expect(asked[2]).toMatchObject({ kinds: ['sending', 'signing key', 'terminal key'] });
  });
});
