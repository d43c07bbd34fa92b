import { connect, createServer } from 'node:net';
import { freePort } from './ports.mjs';

/**
 * A gate on the way to a database, to be shut on purpose: what stands behind it goes on unharmed.
 * @param url of the database behind it.
 * @returns the URL through the gate; `set` to one of
 *   "open": everything passes;
 *   "shut": nobody is let in, and who was in is thrown out, as where a server has gone;
 *   "silent": nothing passes and nothing is told, as where a cable was pulled.
 */
export async function startGate(url, wantedPort) {
  const behind = new URL(url);
  const through = new URL(url);
  const port = await freePort(wantedPort);
  through.port = String(port);
  const pairs = new Set();
  let state = 'open';
  const server = createServer((near) => {
    if (state === 'shut') return near.destroy();
    const far = connect(Number(behind.port), behind.hostname);
    const pair = { near, far };
    pairs.add(pair);
    const end = () => {
      pairs.delete(pair);
      near.destroy();
      far.destroy();
    };
    for (const socket of [near, far]) socket.on('error', end).on('close', end);
    near.pipe(far);
    far.pipe(near);
    if (state === 'silent') hush(pair);
  });
  const hush = ({ near, far }) => {
    for (const socket of [near, far]) socket.unpipe().pause();
  };
  const hear = ({ near, far }) => {
    near.pipe(far);
    far.pipe(near);
  };
  await new Promise((resolve) => server.listen(port, '127.0.0.1', resolve));
  return {
    url: through.href,
    set(next) {
      if (state === 'silent' && next === 'open') for (const pair of pairs) hear(pair);
      state = next;
      if (next === 'silent') for (const pair of pairs) hush(pair);
      if (next === 'shut') for (const { near } of pairs) near.destroy();
    },
    stop() {
      for (const { near } of pairs) near.destroy();
      return new Promise((resolve) => server.close(resolve));
    },
  };
}
