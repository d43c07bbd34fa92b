import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { PriceFileEnvelope, TerminalReport } from '../src/contracts/index.ts';
import { offer, ring } from '../tests/plans/basket-plan.ts';
import { signed } from '../tests/plans/signed.ts';
import { withPromotions } from '../tests/plans/small-plan.ts';
import { pictureDisk } from './picture-disk.ts';
import { ringer } from './ring.ts';
import { type Till, till } from './till.ts';

let server: Server;
let origin: string;
/** What the server answers next to "anything newer?", and what it was told. */
let newest: unknown;
let reports: TerminalReport[];
let disk: { held: unknown; aside: unknown; full: boolean };
/** Bytes of pictures as the server hands them out, by their names. */
let served: Map<string, string>;
let folder: string;
const chain = signed();

beforeEach(async () => {
  newest = null;
  reports = [];
  disk = { held: null, aside: null, full: false };
  served = new Map();
  folder = mkdtempSync(join(tmpdir(), 'till-'));
  server = createServer((request, response) => {
    if (request.url?.startsWith('/api/till/price-file')) {
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

const held = () => disk.held as PriceFileEnvelope | null;
const NOW = Date.parse('2027-04-14T10:00:00Z');
const make = (now = () => NOW): Till =>
  till(
    { id: 'east-1', store: 'east', key: 'k', timeZone: 'Europe/Madrid' },
    {
      server: origin,
      publicKey: chain.publicKey,
      ringer: ringer(),
      pictures: pictureDisk(folder),
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
      expect(one.ringBasket({ lines: [{ sku: 'milk', quantity: 2 }] })).toMatchObject({
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
      const rung = one.ringBasket(basket);
      const at = '2027-04-14T12:00';
      const tried = ring(deals, { ...basket, store: 'east', terminal: 'east-1', at });
      expect(rung).toMatchObject({ ok: true, rung: { receipt: tried, labels: { two: 'two' } } });
      expect(tried).toMatchObject({ total: '59.90', saving: '14.80' });
      await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    });

    it('takes a barcode for a SKU, and says what is wrong with what it cannot ring', () => {
      const coded = {
        ...deals,
        items: deals.items.map((item) => (item.sku === 'milk' ? { ...item, gtin: '4006381333931' } : item)),
      };
      disk.held = chain.file(3, 'east', coded);
      const one = make();
      expect(one.ringBasket({ lines: [{ sku: '4006381333931', quantity: 1 }] })).toMatchObject({
        rung: { receipt: { total: '24.90' }, names: { milk: 'Sun milk' } },
      });
      for (const wrong of [null, {}, { lines: [{ sku: 'milk', quantity: -1 }] }, { lines: [null] }])
        expect(one.ringBasket(wrong)).toMatchObject({
          ok: false,
          faults: [expect.stringContaining('/lines')],
        });
    });

    it('rings nothing while it holds nothing', () => {
      expect(make().ringBasket(basket)).toBeNull();
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
