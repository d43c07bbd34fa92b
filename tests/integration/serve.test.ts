import { type ChildProcess, spawn } from 'node:child_process';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { freePort } from '../application/free-port.ts';
import { until } from '../application/until.ts';
import { emptyDatabase } from './fresh-database.ts';

let url: string;
let drop: () => Promise<void>;
let begun: ChildProcess[];
beforeEach(async () => {
  ({ url, drop } = await emptyDatabase());
  begun = [];
});
afterEach(async () => {
  for (const child of begun) child.kill('SIGKILL');
  await drop();
});

const SECRET = 'of-this-test-alone-and-long-enough';

/** A server as a service manager begins it, with what it is told and nothing else of ours. */
async function serve(told: Readonly<Record<string, string>>) {
  const port = await freePort();
  const origin = `http://127.0.0.1:${port}`;
  const child = spawn('node', [`${process.cwd()}/bin/serve.mjs`], {
    cwd: '/',
    env: {
      PATH: process.env.PATH,
      ...{ PORT: String(port), BELLTAG_ORIGIN: origin, BELLTAG_THREADS: '1', BELLTAG_LOG: 'error', ...told },
    },
  });
  begun.push(child);
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (text: Buffer) => {
      said += text;
    });
  const over = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return { origin, over, said: () => said, end: () => child.kill('SIGTERM') };
}

it.each([
  [{}, 'A server is told DATABASE_URL, BELLTAG_SECRET by its environment.'],
  [{ DATABASE_URL: 'postgres://x@127.0.0.1/x', BELLTAG_SECRET: 'short' }, 'BELLTAG_SECRET is too short'],
])('says what it was not told: %j', async (told, words) => {
  const server = await serve(told);
  expect(await server.over).toBe(1);
  expect(server.said()).toContain(words);
});

it('migrates an empty database once though two begin at the same moment, says the code, and ends in good order', async () => {
  const told = { DATABASE_URL: url, BELLTAG_SECRET: SECRET };
  const both = await Promise.all([serve(told), serve(told)]);
  for (const { origin } of both)
    await until(
      () =>
        fetch(`${origin}/begin`, { redirect: 'manual' }).then(
          ({ status }) => status,
          () => 0,
        ),
      (status) => status === 200,
    );
  const codes = both.map(({ said }) => /becomes the first administrator: ([\w-]+)/.exec(said())?.[1]);
  expect(codes).toEqual([expect.any(String), expect.any(String)]);
  // The demo's people are nobody here, whatever the environment would have liked.
  const reply = await fetch(`${both[0]!.origin}/api/demo-sign-in`, { method: 'POST', body: '{}' });
  expect([403, 415]).toContain(reply.status);
  for (const { end } of both) end();
  expect(await Promise.all(both.map(({ over }) => over))).toEqual([0, 0]);
});
