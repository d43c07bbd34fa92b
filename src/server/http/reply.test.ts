import { describe, expect, it } from 'vitest';
import { done, type Failure, invalid } from '../../contracts/index.ts';
import { failureReply, outcomeReply } from './reply.ts';

describe('a failure as a reply', () => {
  it.each<[Failure, number, object]>([
    [
      { kind: 'invalid', faults: [{ path: ['when', 'to'], what: 'too early', wanted: 'a later end' }] },
      422,
      {
        detail: 'Nothing was saved.',
        faults: [{ path: '/when/to', message: 'too early; wanted: a later end' }],
      },
    ],
    [{ kind: 'forbidden' }, 403, { detail: 'Your role does not allow this.' }],
    [{ kind: 'not-found', what: 'store x' }, 404, { detail: 'There is no store x.' }],
    [
      { kind: 'conflict', code: 'promotion-saved', current: { revision: 2 } },
      409,
      { detail: 'Somebody saved this promotion after you opened it.', current: { revision: 2 } },
    ],
    [
      { kind: 'conflict', code: 'one-saved', id: 'face-week', undoing: true },
      409,
      { detail: 'Somebody saved “face-week” just now. Nothing was undone.' },
    ],
  ])('%j', async (failure, status, body) => {
    const reply = failureReply(failure);
    expect(reply.status).toBe(status);
    expect(reply.headers.get('content-type')).toMatch(/^application\/problem\+json/);
    expect(await reply.json()).toMatchObject({
      ...{ type: expect.stringMatching(/^urn:belltag:problem:/), title: expect.any(String), status },
      ...body,
    });
  });
});

describe('an outcome as a reply', () => {
  it('is its value, and is kept by nobody on the way', async () => {
    const reply = outcomeReply(done({ revision: 3 }), 201);
    expect(reply.status).toBe(201);
    expect(reply.headers.get('cache-control')).toBe('no-store');
    expect(await reply.json()).toEqual({ revision: 3 });
  });
  it('is its failure', () => {
    expect(outcomeReply(invalid(['at'], 'x', 'y')).status).toBe(422);
  });
});
