import { resolve } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { PriceFileEnvelope } from '../../src/contracts/index.ts';
import type { Instant } from '../../src/core/calendar/index.ts';
import { type Database, planRepository } from '../../src/db/index.ts';
import { priceFilesApart } from '../../src/server/files/price-files-apart.ts';
import { PlanMovedOn } from '../../src/usecases/index.ts';
import type { PackedPriceFile, PriceFileMaker, PriceFileOrder } from '../../src/usecases/ports/index.ts';
import { crowdedChain } from '../plans/crowded-chain.ts';
import { freshDatabase } from './fresh-database.ts';
import { sendingPorts } from './sending-ports.ts';

const PROGRAM = resolve('dist/price-files-worker.mjs');
const NOW = Date.parse('2027-03-01T12:00Z') as Instant;
const CHAIN = crowdedChain({ stores: 130, zones: 3, groups: 5, items: 60, priceChanges: 20 }, '2027-03-01');
const STORES = CHAIN.stores.map(({ id }) => id);

let db: Database;
let url: string;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, url, drop } = await freshDatabase());
  await planRepository(db).replace(CHAIN, 'basil');
});
afterAll(() => drop());

async function madeBy(maker: PriceFileMaker, order: PriceFileOrder): Promise<PackedPriceFile[]> {
  const all: PackedPriceFile[] = [];
  for await (const few of maker.make(order)) all.push(...few);
  return all.sort((a, b) => STORES.indexOf(a.store) - STORES.indexOf(b.store));
}
const contents = (files: readonly PackedPriceFile[]) =>
  files.map(
    ({ envelope }) => (JSON.parse(gunzipSync(envelope).toString('utf8')) as PriceFileEnvelope).content,
  );
const apart = () => priceFilesApart({ program: PROGRAM, databaseUrl: url }, sendingPorts(db).maker, 2);

describe('price files of many stores', () => {
  it('come out of threads side by side as they come out of one, to the last byte', async () => {
    const ports = sendingPorts(db);
    const { version } = await ports.book.current();
    const of = { kind: 'plan', version, held: [] } as const;
    const order = { stores: STORES, number: 3, now: NOW, of };
    const [one, several] = [await madeBy(ports.maker, order), await madeBy(apart(), order)];
    expect(several.map(({ store }) => store)).toEqual(STORES);
    expect(contents(several)).toEqual(contents(one));
    expect(several.map(({ manifest, signature }) => [manifest, signature])).toEqual(
      one.map(({ manifest, signature }) => [manifest, signature]),
    );
  });

  it('are sent by the threads, held back or again, and nothing is sent where the plan has moved on', async () => {
    const ports = { ...sendingPorts(db), maker: apart() };
    const { version } = await ports.book.current();
    const [held] = CHAIN.promotions;
    const order = (more: Partial<PriceFileOrder['of']>): PriceFileOrder => ({
      ...{ stores: STORES, number: 9, now: NOW },
      of: { kind: 'plan', version, held: [held!.id], ...more } as PriceFileOrder['of'],
    });
    for (const text of contents(await madeBy(ports.maker, order({}))))
      expect(text).not.toContain(`"id":"${held!.id}"`);
    const told = { person: 'basil', planVersion: version, reason: 'sent', promotions: [] } as const;
    await expect(
      ports.sending.send(told, (number) => ports.maker.make({ ...order({ version: version - 1 }), number })),
    ).rejects.toThrow(PlanMovedOn);
    expect([await ports.sending.newestRollout(), await ports.sending.newestNumbers()]).toEqual([
      null,
      new Map(),
    ]);
    const sent = await ports.sending.send(told, (number) => ports.maker.make({ ...order({}), number }));
    expect(sent.stores).toBe(STORES.length);
    const again = await madeBy(ports.maker, order({ kind: 'sent', whole: false }));
    expect(again.map(({ store, change }) => [store, change?.from])).toEqual(
      STORES.map((store) => [store, sent.rollout]),
    );
  });

  it('of a few stores are made where they are asked for', async () => {
    const maker = priceFilesApart(
      { program: resolve('dist/no-such-program.mjs'), databaseUrl: url },
      sendingPorts(db).maker,
      8,
    );
    const { version } = await sendingPorts(db).book.current();
    const of = { kind: 'plan', version, held: [] } as const;
    expect(await madeBy(maker, { stores: STORES.slice(0, 119), number: 3, now: NOW, of })).toHaveLength(119);
    await expect(madeBy(maker, { stores: STORES, number: 3, now: NOW, of })).rejects.toThrow();
  });
});
