import { fork } from 'node:child_process';
import { once } from 'node:events';
import { freePort } from './ports.mjs';

/**
 * A gate on the way to a database, to be shut on purpose: what stands behind it goes on unharmed.
 * @param url of the database behind it.
 * @returns the URL through the gate; `set` to one of
 *   "open": everything passes;
 *   "shut": nobody is let in, and who was in is thrown out, as where a server has gone;
 *   "silent": nothing passes and nothing is told, as where a cable was pulled; what fell silent stays so.
 */
export async function startGate(url, wantedPort) {
  const { hostname, port: behind } = new URL(url);
  const through = new URL(url);
  through.port = String(await freePort(wantedPort));
  const gate = fork(new URL('gate-process.mjs', import.meta.url), [hostname, behind, through.port]);
  await once(gate, 'message');
  return {
    url: through.href,
    async set(state) {
      gate.send(state);
      await once(gate, 'message');
    },
    async stop() {
      const gone = once(gate, 'exit');
      gate.disconnect();
      await gone;
    },
  };
}
