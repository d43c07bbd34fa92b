import { beforeEach, describe, expect, it } from 'vitest';
import { person, quietSending } from '../../../tests/plans/ports.ts';
import type { SendingStore, TerminalStatus } from '../ports/index.ts';
import { giveTerminalKey } from './give-terminal-key.ts';
import { handWholeFile } from './hand-whole-file.ts';
import { wakeTerminal } from './wake-terminal.ts';

const NOW = new Date('2027-03-01T10:00:00Z');
const status = (terminal: string, more: Partial<TerminalStatus> = {}): TerminalStatus => ({
  ...{ terminal, store: 'east', tags: [], holds: 3, wanted: 3, heldSince: null, lastSeen: null },
  ...{ clockSkew: null, problem: null, hasKey: true, keyChangedAt: null, wholeAskedAt: null },
  ...more,
});

const TERMINALS = [status('east-1'), status('west-1', { store: 'west', wanted: null })];

let done: string[];
let sending: SendingStore;
beforeEach(() => {
  done = [];
  sending = {
    ...quietSending(),
    terminal: async (id) => TERMINALS.find(({ terminal }) => terminal === id) ?? null,
    wake: async (terminal) => void done.push(`wake ${terminal}`),
    askWhole: async (terminal) => void done.push(`whole ${terminal}`),
    giveKey: async (terminal, hash, by) => void done.push(`key ${terminal} ${hash} by ${by}`),
  };
});

const KEY = { text: 'secret', hash: 'hash' };
const hands = {
  wake: (who: Parameters<typeof wakeTerminal>[1], terminal: string) =>
    wakeTerminal({ sending }, who, terminal),
  whole: (who: Parameters<typeof wakeTerminal>[1], terminal: string) =>
    handWholeFile({ sending }, who, terminal, NOW),
  key: (who: Parameters<typeof wakeTerminal>[1], terminal: string) =>
    giveTerminalKey({ sending }, who, { terminal, key: KEY }, NOW),
};

describe('what is done about one terminal', () => {
  it.each([
    ['wake', 'approver', 'wake east-1'],
    ['whole', 'approver', 'whole east-1'],
    ['key', 'administrator', 'key east-1 hash by administrator'],
  ] as const)('%s is for who has the role of an %s', async (hand, role, said) => {
    expect((await hands[hand](person(role), 'east-1')).ok).toBe(true);
    expect(done).toEqual([said]);
  });

  it.each([
    ['wake', 'planner'],
    ['whole', 'planner'],
    ['key', 'approver'],
    ['key', 'viewer'],
  ] as const)('%s is refused to a %s', async (hand, role) => {
    expect(await hands[hand](person(role), 'east-1')).toMatchObject({ failure: { kind: 'forbidden' } });
    expect(done).toEqual([]);
  });

  it.each(['wake', 'whole', 'key'] as const)('%s of one that is not there does nothing', async (hand) => {
    expect(await hands[hand](person('administrator'), 'none')).toMatchObject({
      failure: { kind: 'not-found' },
    });
    expect(done).toEqual([]);
  });

  it('has no whole file for one whose store was sent nothing', async () => {
    expect(await hands.whole(person('approver'), 'west-1')).toMatchObject({
      failure: { kind: 'invalid', faults: [{ path: ['terminal'] }] },
    });
  });

  it('tells a new key once, and none where it is taken', async () => {
    const admin = person('administrator');
    expect(await hands.key(admin, 'east-1')).toEqual({ ok: true, value: { key: 'secret' } });
    expect(await giveTerminalKey({ sending }, admin, { terminal: 'east-1', key: null }, NOW)).toEqual({
      ok: true,
      value: { key: null },
    });
    expect(done.at(-1)).toMatch(/^key east-1 null/);
  });
});
