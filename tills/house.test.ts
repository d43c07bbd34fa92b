import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { inKeyOrder } from '../src/core/price-file/index.ts';
import { canonicalText, signedBy } from '../src/signing/index.ts';
import { signed } from '../tests/plans/signed.ts';
import { SMALL } from '../tests/plans/small-plan.ts';
import { type House, house } from './house.ts';
import { ringer } from './ring.ts';
import { SCENARIOS, scenarioOf } from './scenario.ts';

const chain = signed();
const IDS = Array.from({ length: 100 }, (_, i) => `t${i}`);
let server: Server;
let folder: string;
let number: number;
let asked: string[];
let dark: (() => void)[];
let all: House;

/** A price file as the server hands it out, signed as a whole. */
function envelope() {
  const head = { format: 'bell-tag-price-file', version: 1, store: 'east', number };
  const dates = { madeAt: '2027-03-01T00:00:00Z', goodUntil: '2199-01-01T00:00:00Z', key: chain.key };
  const plan = { ...SMALL, stores: SMALL.stores.filter(({ id }) => id === 'east') };
  const content = canonicalText({ ...head, ...dates, plan: inKeyOrder(plan) });
  return { store: 'east', number, content, signature: signedBy(chain.privateKey, content) };
}

beforeEach(async () => {
  number = 1;
  asked = [];
  dark = [];
  folder = mkdtempSync(join(tmpdir(), 'house-'));
  server = createServer((request, response) => {
    asked.push(request.url ?? '');
    const url = new URL(request.url ?? '', 'http://server');
    if (!url.pathname.endsWith('/price-file')) return void response.writeHead(404).end();
    if (url.searchParams.get('have') === String(number)) return void response.writeHead(204).end();
    response.end(JSON.stringify(envelope()));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const identities = IDS.map((id) => ({ id, store: 'east', key: id, timeZone: 'Europe/Madrid' }));
  all = house(identities, folder, {
    ...{ server: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, publicKey: chain.publicKey },
    ...{ ringer: ringer(), now: () => Date.now() },
    wait: () => new Promise((resolve) => dark.push(resolve)),
  });
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
  rmSync(folder, { recursive: true, force: true });
});

const first = () => all.tills.get('t0')!;

describe('a till whose power goes in the middle of a write', () => {
  it('is dark, comes back with the file from before, and takes the new one', async () => {
    const { till, trouble } = first();
    await till.poll();
    expect(till.state().holds).toBe(1);
    number = 2;
    trouble.disk = 'power-cut';
    const cut = till.poll();
    await expect.poll(() => till.isDark()).toBe(true);
    expect([till.isOn(), till.ring('bar', null), await till.ringBasket({}, 'basket-1')]).toEqual([
      false,
      null,
      null,
    ]);
    // Half of the new file lies beside the old one, which is whole.
    expect(existsSync(`${folder}/t0/price-file.json.part`)).toBe(true);
    expect(JSON.parse(readFileSync(`${folder}/t0/price-file.json`, 'utf8')).number).toBe(1);
    dark.forEach((resolve) => resolve());
    await cut;
    expect([till.isDark(), till.isOn(), till.state().holds]).toEqual([false, true, 1]);
    await till.poll();
    expect([till.state().holds, existsSync(`${folder}/t0/price-file.json.part`)]).toEqual([2, false]);
  });

  it('stays off where it was switched off meanwhile', async () => {
    const { till, trouble } = first();
    trouble.disk = 'power-cut';
    const cut = till.poll();
    await expect.poll(() => till.isDark()).toBe(true);
    dark.forEach((resolve) => resolve());
    await cut;
    till.switchOn(false);
    await till.poll();
    expect(till.state()).toMatchObject({ on: false, holds: null });
  });
});

describe('a till whose disk is full', () => {
  it('keeps what it holds, says so, and takes the new one once there is room', async () => {
    const { till, trouble } = first();
    await till.poll();
    number = 2;
    trouble.disk = 'full';
    await till.poll();
    expect(till.state()).toMatchObject({ holds: 1, problem: expect.stringContaining('disk is full') });
  });
});

describe('a till of the first version', () => {
  it('asks for whole files and for nothing that it does not know', async () => {
    const { till, trouble } = first();
    trouble.old = true;
    await till.poll();
    number = 2;
    await till.poll();
    expect(till.state().holds).toBe(2);
    expect(asked.filter((url) => !url.endsWith('/state'))).toEqual([
      '/api/till/price-file',
      '/api/till/price-file?have=1',
    ]);
  });
});

describe('a scenario', () => {
  it.each(SCENARIOS.map(({ name }) => name))('%s can be made to happen, and calm is calm again', (name) => {
    all.play(scenarioOf(name)!);
    all.play(scenarioOf('calm')!);
    for (const { till, trouble } of all.tills.values()) {
      expect(till.state()).toMatchObject({ on: true, delay: 0 });
      expect(Math.abs(till.state().clock - Date.now())).toBeLessThan(60_000);
      expect(trouble).toEqual({ disk: 'none', old: false });
    }
  });

  it('of a Saturday morning has a tenth of the tills off, the same each time', () => {
    all.play(scenarioOf('saturday')!);
    const off = [...all.tills].filter(([, { till }]) => !till.isOn()).map(([id]) => id);
    expect(off).toHaveLength(10);
    all.play(scenarioOf('saturday')!);
    expect([...all.tills].filter(([, { till }]) => !till.isOn()).map(([id]) => id)).toEqual(off);
    const states = [...all.tills.values()].map(({ till, trouble }) => ({ ...till.state(), ...trouble }));
    expect(states.filter(({ delay }) => delay > 0)).toHaveLength(10);
    expect(states.filter(({ disk }) => disk === 'full')).toHaveLength(2);
    const wrong = states.filter(({ clock }) => Math.abs(clock - Date.now()) > 60_000);
    expect(wrong.length).toBeGreaterThan(2);
  });

  it('that nobody knows is none', () => expect(scenarioOf('no-such-day')).toBeNull());
});
