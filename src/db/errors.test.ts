import { expect, it } from 'vitest';
import { DatabaseAway, isDatabaseAway, refusalOf } from './errors.ts';

it.each([
  [{ code: '23505', constraint: 'c' }, 'exists'],
  [{ code: '23514', constraint: 'c' }, 'impossible'],
  [{ code: '23502', constraint: 'c' }, 'impossible'],
  [
    { code: '23503', constraint: 'c', detail: 'Key (id)=(a) is still referenced from table "b".' },
    'still-used',
  ],
  [
    { code: '23503', constraint: 'c', detail: 'Key (id)=(a) is not present in table "b".' },
    'unknown-reference',
  ],
])('an error %j of the driver is the refusal "%s", also where it is wrapped', (error, refusal) => {
  expect(refusalOf(error)).toEqual({ refusal, constraint: 'c' });
  expect(refusalOf({ message: 'query failed', cause: error })).toEqual({ refusal, constraint: 'c' });
});

it.each([new Error('bug'), { code: 'ECONNREFUSED' }, { code: '42P01' }, 'text'])(
  '%s is no refusal',
  (error) => {
    expect(refusalOf(error)).toBeNull();
  },
);

const lost = Object.assign(new Error('Connection terminated due to connection timeout'), {
  cause: new Error('Connection terminated unexpectedly'),
});
it.each<[string, unknown, boolean]>([
  ['as the driver tells it', lost, true],
  ['wrapped once', { message: 'Failed query: select 1', cause: lost }, true],
  [
    'wrapped twice',
    { message: 'Failed to get session', cause: { message: 'Failed query', cause: lost } },
    true,
  ],
  ['by its code', { message: 'Failed query', cause: { code: 'ECONNREFUSED' } }, true],
  ['told by a thread', new DatabaseAway(), true],
  ['of another kind', { message: 'Failed to get session', cause: new Error('no such column') }, false],
  ['that is no error', null, false],
])('a database that is away is known by an error %s', (_, error, away) => {
  expect(isDatabaseAway(error)).toBe(away);
});

it('an error that is its own cause is looked at once and for all', () => {
  const round: { message: string; cause?: unknown } = { message: 'round and round' };
  round.cause = round;
  expect(isDatabaseAway(round)).toBe(false);
});
