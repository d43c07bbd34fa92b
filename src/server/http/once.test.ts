import { describe, expect, it } from 'vitest';
import type { AskedBefore, OnceStore } from '../../db/index.ts';
import { asksForOnce, once } from './once.ts';

function inMemory() {
  const all = new Map<string, AskedBefore>();
  const store: OnceStore = {
    async claim(person, key, digest) {
      const found = all.get(`${person} ${key}`);
      if (!found) all.set(`${person} ${key}`, { digest, answer: null });
      return found ?? null;
    },
    async keep(person, key, answer) {
      const found = all.get(`${person} ${key}`)!;
      all.set(`${person} ${key}`, { ...found, answer });
    },
    forget: async (person, key) => void all.delete(`${person} ${key}`),
  };
  return { all, store };
}
const asked = (body: string, key = 'k1', path = '/api/v1/promotions') =>
  new Request(`http://127.0.0.1${path}`, {
    method: 'POST',
    body,
    headers: { 'idempotency-key': key, 'content-type': 'application/json' },
  });

/** Work that counts how often it is done. */
function work(...statuses: number[]) {
  let done = 0;
  return {
    times: () => done,
    do: async () => {
      const status = statuses[Math.min(done, statuses.length - 1)]!;
      done += 1;
      return new Response(status === 204 ? null : `{"n":${done}}`, {
        status,
        headers: { 'content-type': 'application/json', etag: '"revision-1"', 'set-cookie': 'a=b' },
      });
    },
  };
}

describe('something that is asked under a key', () => {
  it.each([201, 204, 409, 422])(
    'is done once where it was answered %i, and answered the same',
    async (status) => {
      const { store } = inMemory();
      const { times, do: act } = work(status);
      const first = await once(store, 'ines', asked('{}'), act);
      const again = await once(store, 'ines', asked('{}'), act);
      expect([first.status, again.status, times()]).toEqual([status, status, 1]);
      expect(await again.text()).toBe(await first.text());
      expect(again.headers.get('idempotent-replayed')).toBe('true');
      expect(again.headers.get('etag')).toBe('"revision-1"');
      // What is of one moment is not given twice.
      expect(again.headers.get('set-cookie')).toBeNull();
    },
  );

  it.each([500, 503, 429])('is tried again where it was answered %i: nothing was done', async (status) => {
    const { store } = inMemory();
    const { times, do: act } = work(status, 201);
    expect((await once(store, 'ines', asked('{}'), act)).status).toBe(status);
    expect((await once(store, 'ines', asked('{}'), act)).status).toBe(201);
    expect(times()).toBe(2);
  });

  it('is not done again while nobody knows what came of it', async () => {
    const { store } = inMemory();
    const died = once(store, 'ines', asked('{}'), async () => {
      throw new Error('the server ended');
    });
    await expect(died).rejects.toThrow('the server ended');
    const { times, do: act } = work(201);
    expect((await once(store, 'ines', asked('{}'), act)).status).toBe(409);
    expect(times()).toBe(0);
  });

  it.each<[string, Request]>([
    ['another body', asked('{"a":1}')],
    ['another address', asked('{}', 'k1', '/api/v1/send')],
  ])('is something else with %s', async (_, other) => {
    const { store } = inMemory();
    const { times, do: act } = work(201);
    await once(store, 'ines', asked('{}'), act);
    expect((await once(store, 'ines', other, act)).status).toBe(422);
    expect(times()).toBe(1);
  });

  it('is of who asks, and of each key by itself', async () => {
    const { store } = inMemory();
    const { times, do: act } = work(201);
    await once(store, 'ines', asked('{}'), act);
    await once(store, 'rufus', asked('{}'), act);
    await once(store, 'ines', asked('{}', 'k2'), act);
    expect(times()).toBe(3);
    expect((await once(store, 'ines', asked('{}', 'x'.repeat(201)), act)).status).toBe(422);
  });

  it('is asked of what changes something alone', () => {
    expect(asksForOnce(asked('{}'))).toBe(true);
    expect(asksForOnce(new Request('http://127.0.0.1/', { headers: { 'idempotency-key': 'a' } }))).toBe(
      false,
    );
    expect(asksForOnce(new Request('http://127.0.0.1/', { method: 'POST' }))).toBe(false);
  });
});
