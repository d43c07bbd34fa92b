import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { ChangeEnvelope, PriceFileEnvelope } from '../../src/contracts/index.ts';
import type { Instant } from '../../src/core/calendar/index.ts';
import { type Database, planRepository, promotionRepository } from '../../src/db/index.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { learn, sha256Of, trustIn } from '../../src/signing/index.ts';
import { lookAtTerminal, replaceKey, sendPriceFiles } from '../../src/usecases/index.ts';
import { accept } from '../../tills/accept.ts';
import { codesInMemory } from '../plans/codes-in-memory.ts';
import { person } from '../plans/ports.ts';
import { change, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';
import { sendingPorts } from './sending-ports.ts';

let db: Database;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ db, drop } = await freshDatabase());
});
afterAll(() => drop());

const NOW = Date.parse('2027-04-14T10:00:00Z') as Instant;
const BY = { person: 'basil', action: 'changed' };
const ADMIN = { ...person('administrator'), id: 'basil' };
const ports = () => sendingPorts(db);
async function send(): Promise<number> {
  const all = ports();
  const { version } = await all.book.current();
  const sent = await sendPriceFiles(all, ADMIN, { stores: null, planVersion: version, held: [] }, NOW);
  if (!sent.ok) throw new Error('not sent');
  return sent.value.rollout!;
}
const unpack = <T>(packed: Uint8Array): T => JSON.parse(gunzipSync(packed).toString('utf8')) as T;
async function heldAs(number: number) {
  const { content } = unpack<PriceFileEnvelope>((await ports().sending.envelope('east', number))!);
  return { number, content, sha256: sha256Of(content) };
}

beforeEach(async () => {
  await db.execute(
    'truncate price_file, rollout, terminal_state, terminal_event, signing_key restart identity cascade',
  );
  await planRepository(db).replace(withPromotions(change('a'), change('b')), 'basil');
});

describe('a price file that was sent', () => {
  it('lies ready as the difference to the one before, which makes it of that', async () => {
    const first = await send();
    const { publicKey } = await ports().signer.newest();
    await promotionRepository(db).save(change('a', { priority: 4 }), 1, BY);
    const second = await send();
    const { sending } = ports();
    expect(await sending.change('east', first)).toBeNull();
    const { from, fromSha256, packed } = (await sending.change('east', second))!;
    const held = await heldAs(first);
    expect([from, fromSha256]).toEqual([first, held.sha256]);
    const accepted = accept(unpack<ChangeEnvelope>(packed), {
      ...{ store: 'east', trust: trustIn(publicKey), holds: held },
    });
    expect(accepted).toMatchObject({ ok: true, envelope: { content: (await heldAs(second)).content } });
  });

  it('is signed with a new key, which the one before vouches for; a lost one is withdrawn', async () => {
    const { signer } = ports();
    const first = await signer.newest();
    const sent = await send();
    const replaced = await replaceKey(ports(), ADMIN, { lost: false }, NOW);
    expect(replaced).toMatchObject({ ok: true, value: { stores: 2 } });
    const trust = trustIn(first.publicKey);
    const taken = async (number: number, holds: number, trusted: typeof trust) => {
      const raw = unpack<ChangeEnvelope>((await ports().sending.change('east', number))!.packed);
      return accept(raw, { store: 'east', trust: trusted, holds: await heldAs(holds) });
    };
    expect(await taken(sent + 1, sent, trust)).toMatchObject({ ok: false, ask: 'keys' });
    const learned = learn(trust, await signer.certificates());
    expect(await taken(sent + 1, sent, learned)).toMatchObject({ ok: true });
    await replaceKey(ports(), ADMIN, { lost: true }, NOW);
    const after = learn(trust, await signer.certificates());
    expect([...after.keys.keys()]).toEqual([(await signer.newest()).key]);
    expect(await taken(sent + 2, sent + 1, after)).toMatchObject({ ok: true });
    expect((await signer.all()).map(({ withdrawnAt }) => withdrawnAt !== null)).toEqual([false, true, true]);
  });

  it('leaves the plan as it is when keys are replaced: nothing is read anew for it', async () => {
    const live = livePlanBook(db);
    await send();
    const before = await live.current();
    await replaceKey(ports(), ADMIN, { lost: false }, NOW);
    expect(await live.current()).toBe(before);
  });
});

describe('the story of a terminal', () => {
  const say = (holds: number | null, problem: string | null = null) =>
    ports().sending.report('east-1', { holds, heldSince: null, clockSkew: 0, problem });
  const story = async () =>
    (await ports().sending.story('east-1')).map(({ holds, problem }) => [holds, problem]);

  it('is what it said, whenever it was something else, the newest first', async () => {
    await say(1);
    await say(1);
    await say(1, 'its disk is full');
    await say(1, 'its disk is full');
    await say(2);
    expect(await story()).toEqual([
      [2, null],
      [1, 'its disk is full'],
      [1, null],
    ]);
  });

  it('keeps so much of it and no more, however often it changes', async () => {
    for (let i = 1; i <= 230; i++) await say(i);
    const all = await story();
    expect([all.length, all[0], all.at(-1)]).toEqual([200, [230, null], [31, null]]);
  });

  it('tells what it lacks of what its store was sent, by name', async () => {
    const first = await send();
    await ports().sending.giveKey('east-1', 'a'.repeat(64), 'basil', new Date(NOW));
    await say(first);
    const look = (who = ADMIN) =>
      lookAtTerminal({ ...ports(), ...codesInMemory() }, who, 'east-1', Date.now());
    expect(await look()).toMatchObject({ holds: first, wanted: first, lacks: null, trouble: null });
    await promotionRepository(db).save(change('a', { priority: 4 }), 1, BY);
    await promotionRepository(db).save(change('c', { name: 'The third' }), null, BY);
    await promotionRepository(db).save(change('b', { status: 'archived' }), 1, BY);
    await send();
    expect(await look()).toMatchObject({
      trouble: 'behind',
      lacks: {
        promotions: [
          { id: 'c', name: 'The third', how: 'new' },
          { id: 'a', how: 'changed' },
          { id: 'b', how: 'gone' },
        ],
        ...{ items: 0, other: false },
      },
      story: [{ holds: first }],
    });
    expect(await look({ ...person('store'), stores: ['west'] } as never)).toBeNull();
    expect(await lookAtTerminal({ ...ports(), ...codesInMemory() }, ADMIN, 'nowhere', NOW)).toBeNull();
  });
});
