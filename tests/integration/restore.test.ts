import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { numberWords } from '../../src/core/price-file/index.ts';
import { type Database, planRepository, promotionRepository } from '../../src/db/index.ts';
import { restoreWatch } from '../../src/server/restore-watch.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { trustIn } from '../../src/signing/index.ts';
import { renewEpoch, sendPriceFiles } from '../../src/usecases/index.ts';
import { accept } from '../../tills/accept.ts';
import { person } from '../plans/ports.ts';
import { change, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';
import { postgresClient } from './postgres-client.ts';
import { sendingPorts } from './sending-ports.ts';

let db: Database;
let url: string;
let drop: () => Promise<void>;
let folder: string;
beforeEach(async () => {
  ({ db, url, drop } = await freshDatabase());
  folder = mkdtempSync(join(tmpdir(), 'restore-'));
});
afterEach(async () => {
  rmSync(folder, { recursive: true });
  await drop();
});

const NOW = Date.parse('2027-04-14T10:00:00Z') as never;
const BY = { person: 'ines', action: 'changed' };
const portsOf = (book = livePlanBook(db)) => sendingPorts(db, book);
type Ports = ReturnType<typeof portsOf>;
async function send(ports: Ports): Promise<number> {
  const { version } = await ports.book.current();
  const outcome = await sendPriceFiles(
    ports,
    person('administrator'),
    { stores: null, planVersion: version, held: [] },
    NOW,
  );
  return outcome.ok ? outcome.value.rollout! : Number.NaN;
}
const backUp = () => postgresClient('pg_dump', '-Fc', '-f', `${folder}/backup`, url);
const playBack = () => postgresClient('pg_restore', '--clean', '--if-exists', '-d', url, `${folder}/backup`);
const save = (id: string) => promotionRepository(db).save(change(id), null, BY);
const envelopeOf = async (ports: Ports, number: number) =>
  JSON.parse(gunzipSync((await ports.sending.envelope('east', number))!).toString());

describe('a backup that is played back under a running server', () => {
  it('is noticed, also where other changes came to the same version by then', async () => {
    await planRepository(db).replace(withPromotions(change('first')), 'basil');
    let wentBack = 0;
    const book = livePlanBook(db, () => {
      wentBack += 1;
    });
    await book.current();
    backUp();
    await save('lost');
    const { version } = await book.current();
    playBack();
    await save('found');
    const after = await book.current();
    expect(after.version).toBe(version);
    expect(after.document.promotions.map(({ id }) => id).sort()).toEqual(['first', 'found']);
    expect(wentBack).toBe(1);
    await save('next');
    await book.current();
    expect(wentBack).toBe(1);
  });

  it('gives no number out twice, and puts right what holds something lost', async () => {
    await planRepository(db).replace(withPromotions(change('first')), 'basil');
    const ports = portsOf();
    const { publicKey } = await ports.signer.newest();
    expect(await send(ports)).toBe(1);
    backUp();
    await save('lost');
    const lost = await send(ports);
    const held = await envelopeOf(ports, lost);
    playBack();

    // Without more ado the number would be given out again, and the terminal would believe that it has it.
    expect((await ports.sending.newestNumbers()).get('east')).toBe(1);
    expect(await renewEpoch(ports, lost, NOW)).toBe(2);
    expect(await renewEpoch(ports, lost, NOW)).toBeNull();
    const number = (await ports.sending.newestNumbers()).get('east')!;
    expect(numberWords(number)).toBe('1 since the restore');
    const envelope = await envelopeOf(ports, number);
    const till = { store: 'east', trust: trustIn(publicKey), holds: { ...held, sha256: '' } };
    expect(accept(envelope, till)).toMatchObject({ ok: true });
    expect(envelope.content).not.toContain('"lost"');
    expect(accept(held, { ...till, holds: { ...envelope, sha256: '' } })).toMatchObject({ ok: false });
    expect(await ports.sending.lastRestore()).toMatchObject({ lost });

    await save('found');
    expect(await send(ports)).toBe(number + 1);
  });
});

describe('a terminal that holds a number that nobody here has made', () => {
  /** What is known of a store, and what the database says of it by now. */
  const watching = (known: number, newest: number) => {
    const renewed: (number | null)[] = [];
    const watch = restoreWatch({
      knownNumber: async () => known,
      newestNumber: async () => newest,
      now: () => NOW,
      renew: async (lost) => {
        renewed.push(lost);
        return 1;
      },
    });
    return { watch, renewed };
  };
  it('is what a restore is noticed by where no server ran meanwhile', async () => {
    const { watch, renewed } = watching(7, 7);
    for (const holds of [null, 6, 7]) await watch.terminalHolds('east', holds);
    expect(renewed).toEqual([]);
    await watch.terminalHolds('east', 9);
    expect(renewed).toEqual([9]);
  });
  it('and has only taken a file that was sent a moment ago is right, and nothing begins anew', async () => {
    const { watch, renewed } = watching(7, 8);
    await watch.terminalHolds('east', 8);
    expect(renewed).toEqual([]);
  });
  it('and names one that nobody can have given out yet is not believed', async () => {
    const { watch, renewed } = watching(7, 7);
    await watch.terminalHolds('east', 999_999_999_999_999);
    expect(renewed).toEqual([]);
  });
});

it('the newest number of one store is asked by itself', async () => {
  await planRepository(db).replace(withPromotions(change('first')), 'basil');
  const ports = portsOf();
  expect(await ports.sending.newestNumber('east')).toBeNull();
  await send(ports);
  expect(await ports.sending.newestNumber('east')).toBe(1);
});
