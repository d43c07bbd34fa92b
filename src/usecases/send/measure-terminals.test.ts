import { expect, it } from 'vitest';
import type { TerminalStatus } from '../ports/index.ts';
import { measureTerminals } from './measure-terminals.ts';

const NOW = Date.parse('2027-03-01T10:00:00Z');
const status = (store: string, more: Partial<TerminalStatus>): TerminalStatus => ({
  ...{ terminal: store, store, tags: [], holds: 7, wanted: 7, heldSince: null },
  ...{ lastSeen: '2027-03-01T09:59:50Z', clockSkew: null, problem: null, hasKey: true },
  ...{ keyChangedAt: null, wholeAskedAt: null },
  ...more,
});
const measured = (terminals: TerminalStatus[]) =>
  measureTerminals(
    {
      terminals: async () => terminals,
      newestDates: async () =>
        new Map([
          ['east', '2027-03-01T09:00:00Z'],
          ['west', '2027-03-01T09:58:20Z'],
        ]),
    },
    NOW,
  );

it('terminals are counted by how they stand, and the one that lacks its file longest says for how long', async () => {
  const { states, behindSeconds, heldSeconds } = await measured([
    status('east', { heldSince: '2027-03-01T09:30:00Z' }),
    status('west', { holds: 6, heldSince: '2027-03-01T09:50:00Z' }),
    status('west', { holds: null, lastSeen: null }),
  ]);
  expect(states).toMatchObject({ 'up-to-date': 1, behind: 1, 'never-seen': 1, silent: 0 });
  expect([behindSeconds, heldSeconds]).toEqual([100, 1800]);
});

it('none lacks anything where none was sent anything', async () => {
  expect(await measured([])).toMatchObject({ behindSeconds: 0, heldSeconds: 0 });
  expect(await measured([status('north', { wanted: null, holds: null })])).toMatchObject({
    behindSeconds: 0,
  });
});
