import { createHmac } from 'node:crypto';
import { createServer, type IncomingHttpHeaders, type Server } from 'node:http';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { ToldCall, ToldEvent } from '../../src/contracts/index.ts';
import {
  type Database,
  planRepository,
  promotionRepository,
  schema,
  sendingRepository,
  webhookRepository,
} from '../../src/db/index.ts';
import { callProgram } from '../../src/server/call-program.ts';
import { newWebhookSecret } from '../../src/signing/index.ts';
import { tellPrograms } from '../../src/usecases/index.ts';
import { change, withPromotions } from '../plans/small-plan.ts';
import { freshDatabase } from './fresh-database.ts';

let db: Database;
let drop: () => Promise<void>;
let server: Server;
let url: string;
let heard: { headers: IncomingHttpHeaders; body: string }[];
let answer: number;
let clock: number;
let ids: number;
beforeEach(async () => {
  ({ db, drop } = await freshDatabase());
  heard = [];
  answer = 204;
  clock = Date.parse('2027-04-14T10:00:00Z');
  ids = 0;
  server = createServer(async (request, response) => {
    let body = '';
    for await (const chunk of request) body += chunk;
    heard.push({ headers: request.headers, body });
    response.writeHead(answer, { location: 'http://127.0.0.1:1/elsewhere' }).end();
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  url = `http://127.0.0.1:${(server.address() as { port: number }).port}/hook`;
  await planRepository(db).replace(withPromotions(change('first')), 'basil');
  await db.insert(schema.person).values({ id: 'basil', name: 'Basil', email: 'b@quillmere.example' });
});
afterEach(async () => {
  server.closeAllConnections();
  server.close();
  await drop();
});

const secret = newWebhookSecret();
const webhooks = () => webhookRepository(db);
const add = (...events: ToldEvent[]) => webhooks().put({ url, events, secret }, 'basil');
const approve = (id: string) =>
  promotionRepository(db).save(change(id), null, { person: 'basil', action: 'approved' });
const tell = () =>
  tellPrograms(
    { webhooks: webhooks() },
    callProgram,
    () => new Date(clock),
    () => `call-${++ids}`,
  );
const calls = (): ToldCall[] => heard.map(({ body }) => JSON.parse(body));

describe('another program', () => {
  it('is told what it wants to hear, signed, once, and nothing from before it was there', async () => {
    await approve('before');
    await add('promotion.approved');
    await approve('a');
    await approve('b');
    await promotionRepository(db).save(change('c'), null, { person: 'basil', action: 'changed' });
    await tell();
    await tell();
    expect(calls()).toEqual([
      {
        id: 'call-1',
        events: ['a', 'b'].map((promotion) => ({
          ...{ event: 'promotion.approved', promotion, by: 'basil', at: expect.any(String) },
        })),
      },
    ]);
    const { headers, body } = heard[0]!;
    const key = Buffer.from(secret.slice('whsec_'.length), 'base64');
    const signed = `${headers['webhook-id']}.${headers['webhook-timestamp']}.${body}`;
    expect(headers['webhook-signature']).toBe(
      `v1,${createHmac('sha256', key).update(signed).digest('base64')}`,
    );
    expect(await webhooks().all()).toMatchObject([{ url, waiting: 0, givenUp: 0, said: null }]);
  });

  it('is called again with growing pauses, given up at last, and tried once more when somebody says so', async () => {
    const id = await add('promotion.approved');
    await approve('a');
    // A way elsewhere is not gone.
    answer = 302;
    const tries: number[] = [];
    for (let minute = 0; minute < 60 * 48; minute++) {
      const before = heard.length;
      await tell();
      if (heard.length > before) tries.push(minute);
      clock += 60_000;
    }
    expect(tries).toEqual([0, 1, 2, 7, 37, 157, 457, 1057, 1897]);
    expect(new Set(calls().map((call) => call.id))).toEqual(new Set(['call-1']));
    expect(await webhooks().all()).toMatchObject([{ waiting: 0, givenUp: 1, takenAt: null, said: '302' }]);
    answer = 200;
    expect(await webhooks().tryAgain(id, new Date(clock))).toBe(true);
    await tell();
    expect(heard).toHaveLength(10);
    expect(await webhooks().all()).toMatchObject([{ givenUp: 0, takenAt: expect.any(String), said: null }]);
  });

  it('is told of terminals together, and of no trouble twice', async () => {
    await add('terminal.confirmed', 'terminal.refused');
    const report = (holds: number | null, problem: string | null) =>
      sendingRepository(db).report('t1', { holds, problem, heldSince: null, clockSkew: 0 });
    await db.insert(schema.terminal).values({ id: 't1', store: 'east' }).onConflictDoNothing();
    await report(7, null);
    await report(7, 'the disk is full');
    await report(7, 'the disk is full');
    await report(8, 'the disk is full');
    await tell();
    expect(calls().map(({ events }) => events.map(({ at: _, ...told }) => told))).toEqual([
      [
        { event: 'terminal.confirmed', terminal: 't1', number: 7 },
        { event: 'terminal.refused', terminal: 't1', problem: 'the disk is full', number: 7 },
        { event: 'terminal.confirmed', terminal: 't1', number: 8 },
      ],
    ]);
  });

  it('is told nothing more once that is ended, also not what waits', async () => {
    const id = await add('promotion.approved');
    await approve('a');
    answer = 500;
    await tell();
    await approve('b');
    expect(await webhooks().end(id, new Date(clock), 'basil')).toBe(true);
    clock += 3_600_000;
    await tell();
    expect(heard).toHaveLength(1);
    expect(await webhooks().all()).toEqual([]);
    expect(await webhooks().end(id, new Date(clock), 'basil')).toBe(false);
  });

  it('hears of nothing that was not done after all', async () => {
    await add('promotion.approved');
    await db
      .transaction(async (tx) => {
        await promotionRepository(tx as unknown as Database).save(change('undone'), null, {
          ...{ person: 'basil', action: 'approved' },
        });
        throw new Error('undone');
      })
      .catch(() => {});
    await tell();
    expect(heard).toEqual([]);
  });
});
