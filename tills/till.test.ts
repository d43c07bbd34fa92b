import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { PriceFileEnvelope, TerminalReport } from '../src/contracts/index.ts';
import { inKeyOrder } from '../src/core/price-file/index.ts';
import { canonicalText, certificateOf, newestText, sha256Of, signedBy } from '../src/signing/index.ts';
import { offer, ring } from '../tests/plans/basket-plan.ts';
import { signed } from '../tests/plans/signed.ts';
import { withPromotions } from '../tests/plans/small-plan.ts';
import { pictureDisk } from './picture-disk.ts';
import { ringer } from './ring.ts';
import { till } from './till.ts';
import type { Till } from './till-ports.ts';

let server: Server;
let origin: string;
/** What the server answers next to "anything newer?", and what it was told. */
let newest: unknown;
let reports: TerminalReport[];
let asked: string[];
let disk: { held: unknown; aside: unknown; full: boolean };
/** Bytes of pictures as the server hands them out, by their names. */
let served: Map<string, string>;
let folder: string;
/** The key that the server knows. */
let knows: string;
/** What else lies on its disk. */
let small: Map<string, object>;
/** What the server says of keys, and vouches for when it is asked with a number; null: it knows of no such thing. */
let says: { keys: unknown; newest: ((nonce: string) => unknown) | null };
const chain = signed();

beforeEach(async () => {
  newest = null;
  reports = [];
  disk = { held: null, aside: null, full: false };
  served = new Map();
  small = new Map();
  says = { keys: { keys: [] }, newest: null };
  asked = [];
  folder = mkdtempSync(join(tmpdir(), 'till-'));
  knows = 'k';
  server = createServer((request, response) => {
    if (request.headers.authorization !== `Bearer ${knows}`) return void response.writeHead(401).end('{}');
    asked.push(request.url ?? '');
    const url = new URL(request.url ?? '', 'http://server');
    if (url.pathname === '/api/till/keys') return void response.end(JSON.stringify(says.keys));
    if (url.pathname === '/api/till/newest') {
      const vouched = says.newest?.(url.searchParams.get('nonce') ?? '');
      return void (vouched ? response.end(JSON.stringify(vouched)) : response.writeHead(404).end());
    }
    if (request.url?.startsWith('/api/till/price-file')) {
      if (typeof newest === 'function') return void response.end(JSON.stringify(newest(url)));
      if (newest === null) return void response.writeHead(204).end();
      return void response.end(typeof newest === 'string' ? newest : JSON.stringify(newest));
    }
    if (request.url?.startsWith('/api/till/picture/')) {
      const bytes = served.get(request.url.split('/').at(-1)!);
      return void (bytes === undefined ? response.writeHead(404).end() : response.end(bytes));
    }
    const chunks: Buffer[] = [];
    request.on('data', (chunk: Buffer) => chunks.push(chunk));
    request.on('end', () => {
      reports.push(JSON.parse(Buffer.concat(chunks).toString('utf8')));
      response.end('{}');
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterEach(async () => {
  rmSync(folder, { recursive: true });
  await new Promise((resolve) => server.close(resolve));
});

/** A small file on its disk. */
const kept = <T extends object>(name: string) => ({
  read: () => (small.get(name) as T | undefined) ?? null,
  write: (value: T) => void small.set(name, value),
});
const held = () => disk.held as PriceFileEnvelope | null;
const NOW = Date.parse('2027-04-14T10:00:00Z');
const make = (now = () => NOW): Till =>
  till(
    { id: 'east-1', store: 'east', key: 'k', timeZone: 'Europe/Madrid' },
    {
      server: origin,
      publicKey: chain.publicKey,
      keys: kept('keys'),
      vouched: kept('vouched'),
      uses: kept('uses'),
      ringer: ringer(),
      pictures: pictureDisk(folder),
      ownKey: kept('own-key'),
      now,
      disk: {
        read: () => disk.held,
        write: (envelope) => {
          if (disk.full) throw Object.assign(new Error('no space left'), { code: 'ENOSPC' });
          disk.held = envelope;
        },
        putAside: () => {
          disk.aside = disk.held;
          disk.held = null;
        },
        since: () => (disk.held ? '2027-04-14T09:59:00Z' : null),
      },
    },
  );

describe('a till', () => {
  it('takes a good file, keeps it on its disk, tells, and rings from it', async () => {
    newest = chain.file(3);
    const one = make();
    await one.poll();
    expect(one.state()).toMatchObject({ holds: 3, problem: null });
    expect(held()?.number).toBe(3);
    expect(reports.at(-1)).toMatchObject({ holds: 3, problem: null, clock: '2027-04-14T10:00:00.000Z' });
    expect(one.ring('milk', null)).toMatchObject({ price: '24.90', promotion: null });
    expect(one.ring('nothing', null)).toMatchObject({ price: null, problem: 'not-carried' });
  });

  it.each<[string, () => unknown, RegExp]>([
    ['no JSON', () => 'no JSON', /form/],
    [
      'another price in it',
      () => ({ ...chain.file(4), content: chain.file(4).content.replace('24.90', '0.90') }),
      /signature/,
    ],
    ['a file of another store', () => chain.file(4, 'west'), /store west/],
    ['another number than was signed', () => ({ ...chain.file(4), number: 5 }), /says inside/],
    ['signed, and no plan in it', () => chain.file(4, 'east', { nothing: true }), /cannot be read/],
    ['no signature', () => ({ ...chain.file(4), signature: '' }), /form/],
    ['nothing but null', () => ({ content: null }), /form/],
  ])('that finds %s on its own disk puts it aside, tells, and fetches anew', async (_, lies, why) => {
    disk.held = lies();
    const one = make();
    expect(one.state()).toMatchObject({ holds: null, problem: expect.stringMatching(why) });
    expect(disk.aside).toEqual(lies());
    await one.poll();
    expect(reports.at(-1)).toMatchObject({ holds: null, problem: expect.stringMatching(/put aside/) });
    newest = chain.file(4);
    await one.poll();
    expect(one.state()).toMatchObject({ holds: 4, problem: null });
  });

  it('that is handed the file that it has once more writes it anew, and nothing else changes', async () => {
    disk.held = chain.file(3);
    const one = make();
    // Something else lies there by now.
    disk.held = chain.file(2);
    newest = chain.file(3);
    await one.poll();
    expect(held()).toEqual(chain.file(3));
    expect(one.state()).toMatchObject({ holds: 3, problem: null });
  });

  it('whose key is not known says so, rings on, and is well again with another key, also after a restart', async () => {
    disk.held = chain.file(3);
    knows = 'another';
    const one = make();
    expect(await one.poll()).toBe(false);
    expect(one.state()).toMatchObject({ holds: 3, problem: expect.stringMatching(/does not know its key/) });
    expect(one.ring('milk', null)).toMatchObject({ price: '24.90' });
    one.putKey('another');
    expect(await one.poll()).toBe(true);
    expect(one.state().problem).toBeNull();
    const begun = make();
    expect(await begun.poll()).toBe(true);
    expect(begun.key()).toBe('another');
  });

  it('whose disk is full says so, keeps what it holds, and rests before it tries again', async () => {
    let now = NOW;
    disk.held = chain.file(3);
    const one = make(() => now);
    disk.full = true;
    newest = chain.file(4);
    await one.poll();
    expect(one.state()).toMatchObject({ holds: 3, problem: expect.stringMatching(/disk is full/) });
    expect(reports.at(-1)).toMatchObject({ problem: expect.stringMatching(/disk is full/) });
    disk.full = false;
    await one.poll();
    expect(one.state().holds).toBe(3);
    now += 61_000;
    await one.poll();
    expect(one.state()).toMatchObject({ holds: 4, problem: null });
  });

  it.each<[string, () => unknown]>([
    ['no JSON', () => '{"store": "ea'],
    ['cut off', () => ({ ...chain.file(4), content: chain.file(4).content.slice(0, -20) })],
    [
      'another price in it',
      () => ({ ...chain.file(4), content: chain.file(4).content.replace('24.90', '0.90') }),
    ],
    ['another’s signature', () => signed().file(4)],
    ['for another store', () => chain.file(4, 'west')],
    ['an older one', () => chain.file(2)],
    ['signed, and no plan in it', () => chain.file(4, 'east', { nothing: true })],
  ])(
    'refuses %s, keeps what it holds, tells, and is well again when there is nothing newer',
    async (_, bad) => {
      disk.held = chain.file(3);
      const one = make();
      newest = bad();
      await one.poll();
      expect(one.state()).toMatchObject({ holds: 3, problem: expect.stringMatching(/price file/) });
      expect(reports.at(-1)).toMatchObject({ holds: 3, problem: expect.stringMatching(/price file/) });
      expect(held()?.number).toBe(3);
      expect(one.ring('milk', null)).toMatchObject({ price: '24.90' });
      newest = null;
      await one.poll();
      expect(one.state().problem).toBeNull();
      expect(reports.at(-1)?.problem).toBeNull();
    },
  );

  it('goes on when cut off, says so on its page, and tells nothing of it once the server answers again', async () => {
    disk.held = chain.file(3);
    const one = make();
    const port = (server.address() as AddressInfo).port;
    await new Promise((resolve) => server.close(resolve));
    await one.poll();
    expect(one.state().problem).toMatch(/no answer from the server/);
    expect(one.ring('milk', null)).toMatchObject({ price: '24.90' });
    await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
    await one.poll();
    expect(one.state().problem).toBeNull();
  });

  describe('whose price file names a picture', () => {
    const BYTES = '\u0089PNG and so on';
    const ID = createHash('sha256').update(BYTES).digest('hex');
    const withPicture = (picture: string) =>
      withPromotions(
        offer('pair', {
          kind: 'combo',
          slots: [{ name: 'Two', items: { items: ['milk'] }, quantity: 2 }],
          value: { total: '40.00' },
          picture,
        }),
      );

    it('fetches it, shows it with the combo on a receipt, and keeps it when it is started anew', async () => {
      newest = chain.file(3, 'east', withPicture(ID));
      served.set(ID, BYTES);
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({ holds: 3, problem: null, picturesToCome: 0 });
      expect(Buffer.from(one.picture(ID)!).toString()).toBe(BYTES);
      expect(await one.ringBasket({ lines: [{ sku: 'milk', quantity: 2 }] }, 'basket-1')).toMatchObject({
        rung: { receipt: { total: '40.00' }, pictures: { pair: ID } },
      });
      expect(make().picture(ID)).not.toBeNull();
    });

    it('rings without it for as long as it does not come, and asks again', async () => {
      newest = chain.file(3, 'east', withPicture(ID));
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({ holds: 3, picturesToCome: 1 });
      newest = null;
      served.set(ID, 'something else');
      await one.poll();
      expect(one.state()).toMatchObject({
        picturesToCome: 1,
        problem: expect.stringMatching(/something else/),
      });
      expect(one.picture(ID)).toBeNull();
      served.set(ID, BYTES);
      await one.poll();
      expect(one.state()).toMatchObject({ picturesToCome: 0, problem: null });
    });

    it('throws it away once no price file names it, and reads nothing that is no picture’s name', async () => {
      served.set(ID, BYTES);
      newest = chain.file(3, 'east', withPicture(ID));
      const one = make();
      await one.poll();
      newest = chain.file(4);
      await one.poll();
      expect(one.picture(ID)).toBeNull();
      expect(one.picture('../../price-file.json')).toBeNull();
    });
  });

  describe('with a whole basket before it', () => {
    const deals = withPromotions(
      offer('two', { kind: 'mixAndMatch', items: { items: ['milk'] }, take: 2, value: { total: '40.00' } }),
      offer(
        'code',
        { kind: 'basketReward', threshold: 'subtotal', tiers: [{ atLeast: '1', amountOff: '5.00' }] },
        { codes: ['FIVE'] },
      ),
    );
    const basket = { lines: [{ sku: 'milk', quantity: 3 }], codes: ['FIVE', 'SIX'] };

    it('rings it from its own file, cut off or not, as the trial basket does', async () => {
      disk.held = chain.file(3, 'east', deals);
      const one = make();
      await new Promise((resolve) => server.close(resolve));
      await one.poll();
      const rung = await one.ringBasket(basket, 'basket-1');
      const at = '2027-04-14T12:00';
      const tried = ring(deals, { ...basket, store: 'east', terminal: 'east-1', at });
      expect(rung).toMatchObject({ ok: true, rung: { receipt: tried, labels: { two: 'two' } } });
      expect(tried).toMatchObject({ total: '59.90', saving: '14.80' });
      await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    });

    it('takes a barcode for a SKU, and says what is wrong with what it cannot ring', async () => {
      const coded = {
        ...deals,
        items: deals.items.map((item) => (item.sku === 'milk' ? { ...item, gtin: '4006381333931' } : item)),
      };
      disk.held = chain.file(3, 'east', coded);
      const one = make();
      expect(
        await one.ringBasket({ lines: [{ sku: '4006381333931', quantity: 1 }] }, 'basket-1'),
      ).toMatchObject({
        rung: { receipt: { total: '24.90' }, names: { milk: 'Sun milk' } },
      });
      for (const wrong of [null, {}, { lines: [{ sku: 'milk', quantity: -1 }] }, { lines: [null] }])
        expect(await one.ringBasket(wrong, 'basket-1')).toMatchObject({
          ok: false,
          faults: [expect.stringContaining('/lines')],
        });
    });

    it('rings nothing while it holds nothing', async () => {
      expect(await make().ringBasket(basket, 'basket-1')).toBeNull();
    });
  });

  it('asks nothing while it is off', async () => {
    newest = chain.file(3);
    const one = make();
    one.switchOn(false);
    await one.poll();
    expect(one.state()).toMatchObject({ on: false, holds: null });
    expect(reports).toEqual([]);
  });

  it('switches by its own clock: right, wrong, and right again', async () => {
    disk.held = chain.file(3);
    const one = make();
    expect(one.setClock('2027-05-01T08:59')).toBe(true);
    expect(one.ring('milk', null)).toMatchObject({ at: '2027-05-01T08:59', promotion: null });
    one.setClock('2027-05-01T09:00');
    expect(one.ring('milk', null)).toMatchObject({ price: '22.41', promotion: 'may' });
    await one.poll();
    expect(reports.at(-1)?.clock).toBe('2027-05-01T07:00:00.000Z');
    expect(one.setClock('noon')).toBe(false);
    one.setClock(null);
    expect(one.ring('milk', null)).toMatchObject({ at: '2027-04-14T12:00' });
  });

  describe('whose server vouches for what is newest', () => {
    const vouch =
      (number: number | null, at = NOW, by = chain) =>
      (nonce: string) => {
        const statement = newestText({ store: 'east', nonce }, number, at);
        return { statement, key: by.key, signature: signedBy(by.privateKey, statement) };
      };
    let now = NOW;
    beforeEach(() => {
      now = NOW;
      disk.held = chain.file(3);
    });
    const pollFor = async (one: Till, polls: number) => {
      for (let i = 0; i < polls; i++) {
        now += 61_000;
        await one.poll();
      }
    };

    it('says when a newer file is held back from it, and no more once it has come', async () => {
      const one = make(() => now);
      says.newest = vouch(4);
      await pollFor(one, 3);
      expect(one.state().problem).toBeNull();
      await pollFor(one, 1);
      expect(reports.at(-1)).toMatchObject({
        holds: 3,
        problem: expect.stringMatching(/price file 4 is vouched for/),
      });
      newest = chain.file(4);
      await pollFor(one, 1);
      expect(one.state()).toMatchObject({ holds: 4, problem: null });
    });

    it('is not fooled by an answer that was once true: in a day it says that nobody has vouched', async () => {
      const one = make(() => now);
      says.newest = vouch(3);
      await one.poll();
      const old = vouch(3)('ab'.repeat(16));
      says.newest = () => old;
      now += 23 * 3_600_000;
      await one.poll();
      expect(one.state().problem).toBeNull();
      now += 2 * 3_600_000;
      await one.poll();
      expect(one.state().problem).toMatch(/nobody has vouched for its prices since Wed 14 Apr 2027, 12:00/);
      expect(one.ring('milk', null)).toMatchObject({ price: '24.90' });
    });

    it('rings nothing of the past when its clock is turned back, and says so; a server’s wrong hour passes', async () => {
      const may = Date.parse('2027-05-01T12:00:00Z');
      const one = make(() => now);
      says.newest = vouch(3, may);
      await one.poll();
      expect(one.ring('milk', null)).toMatchObject({ price: '22.41', promotion: 'may' });
      expect(one.state().problem).toMatch(
        /its clock stands before what the server has vouched for, Sat 1 May 2027, 14:00:/,
      );
      // It is remembered over a restart, also while nobody answers.
      says.newest = null;
      expect(make(() => now).ring('milk', null)).toMatchObject({ promotion: 'may' });
      says.newest = vouch(3, NOW);
      await pollFor(one, 1);
      expect(one.state().problem).toBeNull();
      expect(one.ring('milk', null)).toMatchObject({ price: '24.90', promotion: null });
    });

    it('says that its file is over, and rings on', async () => {
      disk.held = chain.file(3, 'east', undefined, { goodUntil: '2027-04-14T12:00:00.000Z' });
      const one = make(() => now);
      says.newest = vouch(3);
      await one.poll();
      expect(one.state()).toMatchObject({ problem: null, goodUntil: '2027-04-14T12:00:00.000Z' });
      says.newest = vouch(3, Date.parse('2027-04-14T12:01:00Z'));
      now = Date.parse('2027-04-14T12:01:00Z');
      await one.poll();
      expect(one.state().problem).toMatch(/was good until 2027-04-14T12:00/);
      expect(one.ring('milk', null)).toMatchObject({ price: '24.90' });
    });

    it.each([
      ['with a key of somebody else', (nonce: string) => vouch(9, NOW, signed())(nonce)],
      [
        'of another store',
        (nonce: string) => {
          const statement = newestText({ store: 'west', nonce }, 9, NOW);
          return { statement, key: chain.key, signature: signedBy(chain.privateKey, statement) };
        },
      ],
      ['in no form', () => ({ statement: 5 })],
    ])('hears nothing that is vouched for %s', async (_, said) => {
      const one = make(() => now);
      says.newest = said;
      await pollFor(one, 6);
      expect(one.state().problem).toBeNull();
    });
  });

  describe('whose chain has a new key', () => {
    const next = signed();
    const certificate = (withdraws: string[] = []) =>
      certificateOf(next, chain, { madeAt: '2027-04-14T09:00:00.000Z', withdraws });
    const ofNext = (number: number) => next.file(number, 'east', undefined, { key: next.key });

    it('learns it by itself, and keeps it on its disk', async () => {
      disk.held = chain.file(3, 'east', undefined, { key: chain.key });
      newest = ofNext(4);
      says.keys = { keys: [certificate()] };
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({ holds: 4, problem: null, trusts: [chain.key, next.key] });
      says.keys = { keys: [] };
      expect(make().state()).toMatchObject({ holds: 4, problem: null });
    });

    it('takes nothing of a key that was lost, once it has learned of that', async () => {
      disk.held = chain.file(3, 'east', undefined, { key: chain.key });
      newest = ofNext(4);
      says.keys = { keys: [certificate([chain.key])] };
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({ holds: 4, trusts: [next.key] });
      newest = chain.file(5, 'east', undefined, { key: chain.key });
      await one.poll();
      expect(one.state()).toMatchObject({
        holds: 4,
        problem: expect.stringMatching(/a key that was withdrawn/),
      });
      // Nor does the key that it was given by hand come back with a restart.
      expect(make().state()).toMatchObject({ holds: 4, trusts: [next.key] });
    });

    it('refuses what nobody vouches for', async () => {
      disk.held = chain.file(3);
      newest = ofNext(4);
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({
        holds: 3,
        problem: expect.stringMatching(/signature of price file 4/),
      });
    });
  });

  describe('that is sent the difference alone', () => {
    const before = chain.file(3);
    const [head] = [JSON.parse(before.content)];
    const after = { ...head, number: 4, madeAt: 'm', goodUntil: '2027-05-14T00:00:00.000Z', key: chain.key };
    const dearer = inKeyOrder({
      ...after.plan,
      items: after.plan.items.map((item: { sku: string; prices: object[] }) =>
        item.sku === 'milk' ? { ...item, prices: [{ price: '26.90' }] } : item,
      ),
    });
    const text = canonicalText({ ...after, plan: dearer });
    const signature = signedBy(chain.privateKey, text);
    const difference = (put = dearer.items.filter(({ sku }) => sku === 'milk')) => ({
      ...{ store: 'east', number: 4, signature, from: 3, fromSha256: sha256Of(before.content) },
      change: {
        ...{ madeAt: 'm', goodUntil: '2027-05-14T00:00:00.000Z', key: chain.key, rest: null },
        ...{ items: { put, drop: [] }, promotions: { put: [], drop: [] } },
      },
    });
    const whole = { store: 'east', number: 4, content: text, signature };

    it('puts it together with what it holds, and keeps the whole', async () => {
      disk.held = before;
      newest = difference();
      const one = make();
      await one.poll();
      expect(asked.find((url) => url.includes('price-file'))).toContain(
        `have=3&sha256=${sha256Of(before.content)}`,
      );
      expect(one.state()).toMatchObject({ holds: 4, problem: null });
      expect(one.ring('milk', null)).toMatchObject({ price: '26.90' });
      expect(held()).toEqual(whole);
      expect(make().state()).toMatchObject({ holds: 4, problem: null });
    });

    it('asks for the whole where it does not fit, and is well', async () => {
      disk.held = before;
      newest = (url: URL) => (url.searchParams.has('sha256') ? difference([]) : whole);
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({ holds: 4, problem: null });
      expect(held()).toEqual(whole);
    });

    it('keeps what it holds where neither fits, and asks no more than twice a poll', async () => {
      disk.held = before;
      newest = () => difference([]);
      const one = make();
      await one.poll();
      expect(one.state()).toMatchObject({
        holds: 3,
        problem: expect.stringMatching(/signature of price file 4/),
      });
      expect(asked.filter((url) => url.includes('price-file'))).toHaveLength(2);
      expect(one.ring('milk', null)).toMatchObject({ price: '24.90' });
    });
  });

  it('tells what is new at once, and what is not only now and then', async () => {
    let now = NOW;
    disk.held = chain.file(3);
    const one = make(() => now);
    await one.poll();
    await one.poll();
    expect(reports).toHaveLength(1);
    now += 31_000;
    await one.poll();
    expect(reports).toHaveLength(2);
  });
});
