import { expect, it } from 'vitest';
import { refusalOf } from './errors.ts';

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
