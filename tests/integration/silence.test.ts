import { afterAll, beforeAll, expect, it } from 'vitest';
import { startGate } from '../../bin/set-up/gate.mjs';
import { connect, isDatabaseAway } from '../../src/db/index.ts';
import { hearDatabase } from '../../src/server/hear-database.ts';
import { running } from '../application/running.ts';

let gate: Awaited<ReturnType<typeof startGate>>;
beforeAll(async () => {
  gate = await startGate(running().databaseUrl, 54821);
});
afterAll(() => gate.stop());

const failureOf = (work: Promise<unknown>): Promise<unknown> =>
  work.then(
    () => null,
    (error: unknown) => error,
  );

it('a question to a database that fell silent is told as one to a database that is away', async () => {
  const { pool } = connect(gate.url, 2);
  await pool.query('select 1');
  const asked = failureOf(pool.query('select pg_sleep(600)'));
  await gate.set('silent');
  expect(isDatabaseAway(await asked)).toBe(true);
  expect(isDatabaseAway(await failureOf(pool.query('select 1')))).toBe(true);
  await gate.set('open');
  expect((await pool.query('select 2 as two')).rows).toEqual([{ two: 2 }]);
  await pool.end();
});

it('an answer that never came is not waited for, though the database is there', async () => {
  const { pool } = connect(gate.url, 2);
  // There before the gate shuts: one that comes after it has opened again is answered.
  await pool.query('select 1');
  const asked = failureOf(pool.query('select pg_sleep(4)'));
  await gate.set('silent');
  // The one connection has lost its answer; those that come are let through.
  await gate.set('open');
  expect(isDatabaseAway(await asked)).toBe(true);
  await pool.end();
});

it('a long question is waited for, as is who thinks between two', async () => {
  const { pool } = connect(gate.url, 2);
  const client = await pool.connect();
  const [slow] = (await pool.query('select pg_sleep(6)::text as slept')).rows;
  expect(slow).toEqual({ slept: '' });
  expect((await client.query('select 3 as three')).rows).toEqual([{ three: 3 }]);
  client.release();
  await pool.end();
});

it('a connection that breaks while somebody holds it ends their question, and nothing else', async () => {
  const { pool } = connect(gate.url, 2);
  const idle = await pool.connect();
  const asked = failureOf(pool.query('select pg_sleep(600)'));
  await gate.set('shut');
  expect(isDatabaseAway(await asked)).toBe(true);
  expect(isDatabaseAway(await failureOf(idle.query('select 1')))).toBe(true);
  idle.release(true);
  await gate.set('open');
  expect((await pool.query('select 4 as four')).rows).toEqual([{ four: 4 }]);
  await pool.end();
});

it('news are heard again over a new line where the one before fell silent', async () => {
  let begun = 0;
  const heard: string[] = [];
  hearDatabase(gate.url, ['terminals'], { onBegin: () => begun++, onNews: (_, what) => heard.push(what) });
  await expect.poll(() => begun).toBe(1);
  await gate.set('silent');
  await gate.set('open');
  await expect.poll(() => begun).toBe(2);
  const { pool } = connect(running().databaseUrl, 1);
  await pool.query("select pg_notify('terminal_said', 'nobody')");
  await expect.poll(() => heard).toContain('nobody');
  await pool.end();
});
