import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { PriceFileEnvelope } from '../../src/contracts/index.ts';
import { sha256Of } from '../../src/signing/index.ts';
import { as } from '../application/client.ts';
import { running } from '../application/running.ts';
import { askTill, controlTill } from '../application/till.ts';
import { until } from '../application/until.ts';

const firstKeyOf = (id: string): string =>
  (
    JSON.parse(readFileSync(`${running().tillFolder}/tills.json`, 'utf8')) as {
      tills: { id: string; key: string }[];
    }
  ).tills.find((till) => till.id === id)!.key;
const take = (key: string, query = '') =>
  fetch(`${running().origin}/api/till/price-file${query}`, { headers: { authorization: `Bearer ${key}` } });
const whatItHas = ({ number, content }: PriceFileEnvelope) => `?have=${number}&sha256=${sha256Of(content)}`;

describe('the key of a terminal', () => {
  it('is shown once; the one before lets nobody in any more, and the line that it opened is ended', async () => {
    const before = firstKeyOf('s031-1');
    const line = await fetch(`${running().origin}/api/till/stream`, {
      headers: { authorization: `Bearer ${before}` },
    });
    expect(line.status).toBe(200);
    const basil = await as('basil');
    const given = await basil.send('POST', '/api/send/terminal-key', { terminal: 's031-1' });
    expect(given).toEqual({ status: 200, body: { key: expect.stringMatching(/^[\w-]{32}$/) } });
    await until(
      () => take(before),
      ({ status }) => status === 401,
    );
    expect((await take(given.body.key)).status).toBe(200);
    // It ends by itself: a line that stayed open would never let this come back.
    await line.text();
    expect((await fetch(line.url, { headers: { authorization: `Bearer ${before}` } })).status).toBe(401);
    // The till says so itself, and goes on once it is given the new one.
    await until(
      () => askTill('s031-1'),
      ({ problem }) => /does not know its key/.test(problem ?? ''),
    );
    await controlTill('s031-1', { key: given.body.key });
    expect((await askTill('s031-1')).problem).toBeNull();
    const told = (await basil.get('/check/history?part=sending')).body;
    expect(told).toContain('Terminal s031-1');
    expect(told).not.toContain(given.body.key);
  });

  it('can be taken: the terminal has none, and is told of as such until it has one again', async () => {
    const basil = await as('basil');
    const troubleOf = async () =>
      (await basil.get('/api/send/terminals?all=1&most=9999')).body.terminals.find(
        ({ terminal }: { terminal: string }) => terminal === 's032-1',
      ).trouble;
    expect((await basil.send('DELETE', '/api/send/terminal-key', { terminal: 's032-1' })).body).toEqual({
      key: null,
    });
    await until(
      () => take(firstKeyOf('s032-1')),
      ({ status }) => status === 401,
    );
    expect(await troubleOf()).toBe('no-key');
    const { key } = (await basil.send('POST', '/api/send/terminal-key', { terminal: 's032-1' })).body;
    await controlTill('s032-1', { key });
    await until(troubleOf, (trouble) => trouble === null);
  });

  it('is given to terminals that there are', async () => {
    const basil = await as('basil');
    for (const method of ['POST', 'DELETE'] as const)
      expect((await basil.send(method, '/api/send/terminal-key', { terminal: 'none' })).status).toBe(404);
  });
});

describe('a whole file for one terminal', () => {
  it('is handed to it once more whatever it has, to it alone, and once', async () => {
    // Its third terminal is no simulated one: nobody but this test asks with its key.
    const [mine, neighbour] = [firstKeyOf('s033-3'), firstKeyOf('s033-2')];
    const has = (await (await take(mine)).json()) as PriceFileEnvelope;
    expect((await take(mine, whatItHas(has))).status).toBe(204);
    const rufus = await as('rufus');
    expect((await rufus.send('POST', '/api/send/whole', { terminal: 's033-3' })).status).toBe(200);
    const { body } = await rufus.get('/send/terminal/s033-3');
    expect(body).toContain('Is to take the whole file');
    expect((await take(neighbour, whatItHas(has))).status).toBe(204);
    // A program that does not say what it has to the last byte could not take it.
    expect((await take(mine, `?have=${has.number}`)).status).toBe(204);
    const again = await until(
      () => take(mine, whatItHas(has)),
      ({ status }) => status === 200,
    );
    expect(await again.json()).toEqual(has);
    await until(
      () => take(mine, whatItHas(has)),
      ({ status }) => status === 204,
    );
    expect((await rufus.get('/send/terminal/s033-3')).body).not.toContain('Is to take the whole file');
  });

  it('is refused to terminals that there are not', async () => {
    expect((await (await as('rufus')).send('POST', '/api/send/whole', { terminal: 'none' })).status).toBe(
      404,
    );
  });
});
