import { describe, expect, it } from 'vitest';
import { inMemory, person, quietSending } from '../../../tests/plans/ports.ts';
import { SMALL } from '../../../tests/plans/small-plan.ts';
import type { TerminalsRequest } from '../../contracts/index.ts';
import type { TerminalStatus } from '../ports/index.ts';
import { listTerminals } from './list-terminals.ts';

const NOW = Date.parse('2027-03-01T10:00:00Z');
const HEARD = '2027-03-01T09:59:50Z';
const status = (terminal: string, store: string, more: Partial<TerminalStatus> = {}): TerminalStatus => ({
  ...{ terminal, store, tags: [], holds: 7, wanted: 7, heldSince: null, lastSeen: HEARD },
  ...{ clockSkew: null, problem: null, hasKey: true, keyChangedAt: null, wholeAskedAt: null },
  ...more,
});
const TERMINALS = [
  status('east-1', 'east'),
  status('east-2', 'east', { holds: 6 }),
  status('east-3', 'east', { lastSeen: null }),
  status('west-1', 'west'),
  status('west-2', 'west', { holds: 6 }),
  status('west-3', 'west', { holds: 8, problem: 'disk full' }),
  status('west-4', 'west', { holds: null, lastSeen: null }),
];
const ports = {
  ...inMemory(SMALL),
  sending: {
    ...quietSending(),
    terminals: async () => TERMINALS,
    storesOfRollout: async (number: number) => (number === 7 ? ['west'] : []),
  },
};
const looked = (asked: TerminalsRequest, who = person('viewer')) => listTerminals(ports, who, asked, NOW);
const names = async (asked: TerminalsRequest) =>
  (await looked(asked)).terminals.map(({ terminal }) => terminal).join(' ');

describe('which terminals are listed', () => {
  it.each<[TerminalsRequest, string]>([
    [{}, 'east-2 east-3 west-2 west-3 west-4'],
    [{ all: '1' }, 'east-2 east-3 west-2 west-3 west-4 east-1 west-1'],
    [{ group: 'city' }, 'east-2 east-3'],
    [{ group: 'city', all: '1' }, 'east-2 east-3 east-1'],
    [{ group: 'no-such' }, ''],
    [{ store: 'west' }, 'west-2 west-3 west-4 west-1'],
    [{ store: 'west', trouble: 'behind' }, 'west-2'],
    [{ trouble: 'never-seen' }, 'east-3 west-4'],
    [{ group: 'city', store: 'west' }, ''],
    [{ find: ' EAST-1' }, 'east-1'],
    [{ find: 'west', trouble: 'refused' }, 'west-3'],
  ])('%j: %s', async (asked, wanted) => {
    expect(await names(asked)).toBe(wanted);
  });

  it('are as many as were asked for, and it is told how many there are', async () => {
    const view = await looked({ all: '1', most: '2' });
    expect([view.terminals.length, view.meant]).toEqual([2, 7]);
  });
});

describe('how they stand', () => {
  it('is told in sum, by group and by store, those with most trouble first, whatever is listed', async () => {
    const { counts, groups, stores } = await looked({ trouble: 'behind', most: '0' });
    expect(counts).toEqual({ all: 7, upToDate: 2, troubled: { 'never-seen': 2, behind: 2, refused: 1 } });
    expect(groups).toEqual([
      { id: 'city', name: 'City stores', all: 3, upToDate: 1, troubled: { behind: 1, 'never-seen': 1 } },
    ]);
    expect(stores.map(({ id, groups: of, upToDate, all }) => ({ id, of, upToDate, all }))).toEqual([
      { id: 'west', of: [], upToDate: 1, all: 4 },
      { id: 'east', of: ['city'], upToDate: 1, all: 3 },
    ]);
  });

  it('is of the stores that the person sees', async () => {
    const { counts, stores, groups, meant } = await looked({ all: '1' }, person('store', ['west']));
    expect([counts.all, meant, groups.length]).toEqual([4, 4, 0]);
    expect(stores.map(({ id }) => id)).toEqual(['west']);
  });
});

describe('how far a sending has come', () => {
  it('is who holds it or a later one, of the stores that it went to', async () => {
    expect((await looked({ rollout: '7' })).rollout).toEqual({
      ...{ number: 7, terminals: 4, holding: 2 },
      waiting: [
        { terminal: 'west-2', storeName: 'West' },
        { terminal: 'west-4', storeName: 'West' },
      ],
    });
  });

  it.each([{}, { rollout: '8' }])('is not told of %j', async (asked) => {
    expect((await looked(asked)).rollout).toBeNull();
  });
});
