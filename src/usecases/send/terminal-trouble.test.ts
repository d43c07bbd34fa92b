import { expect, it } from 'vitest';
import type { TerminalStatus } from '../ports/index.ts';
import { troubleOf } from './terminal-trouble.ts';

const NOW = Date.parse('2027-03-01T09:00:00Z');
const WELL: TerminalStatus = {
  terminal: 't',
  store: 's',
  tags: [],
  holds: 7,
  wanted: 7,
  heldSince: null,
  lastSeen: '2027-03-01T08:59:30Z',
  clockSkew: 900,
  problem: null,
  hasKey: true,
  keyChangedAt: null,
  wholeAskedAt: null,
};

it.each<[string | null, Partial<TerminalStatus>]>([
  [null, {}],
  [null, { wanted: null, holds: null }],
  ['no-key', { hasKey: false, lastSeen: null }],
  ['never-seen', { lastSeen: null, problem: 'x' }],
  ['silent', { lastSeen: '2027-03-01T08:58:59Z', holds: 6 }],
  ['refused', { problem: 'the signature does not fit', holds: 6 }],
  ['wrong-clock', { clockSkew: -31_000, holds: 6 }],
  ['behind', { holds: 6 }],
  ['behind', { holds: null }],
])('the trouble is %s with %j', (wanted, status) => {
  expect(troubleOf({ ...WELL, ...status }, NOW)).toBe(wanted);
});
