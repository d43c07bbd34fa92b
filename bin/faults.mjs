#!/usr/bin/env node
// npm run faults [-- part …]: what comes in and goes wrong, against an application, a database and tills of its own.
import { spawn } from 'node:child_process';
import { ensureChromium } from './set-up/chromium.mjs';
import { startGate } from './set-up/gate.mjs';
import { bundle } from './set-up/headless.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run } from './set-up/say.mjs';

/** Needs a gate before the database, which would cost the others time. */
const GATED = 'outage';
const OTHERS = ['inputs', 'fuzz', 'bodies', 'baskets', 'terminals', 'rollout', 'kills'];

await run(async () => {
  await ensurePackages();
  await bundle('faults/main.ts', 'dist/faults.mjs', { packages: 'external' });
  const asked = process.argv.slice(2);
  const others = OTHERS.filter((part) => asked.length === 0 || asked.includes(part));
  if (others.length > 0) await against(others);
  if (asked.length === 0 || asked.includes(GATED)) await against([GATED], await ensureChromium());
});

/** Runs parts against a Bell Tag begun for them; with a browser, also against one whose database goes away. */
async function against(parts, chromium = null) {
  let gate = null;
  const running = await startEverything({
    name: 'faults',
    port: await freePort(4621),
    databasePort: 54621,
    tillPort: 4651,
    fresh: true,
    worker: parts.includes('kills'),
    ...(chromium && {
      async way(url) {
        gate = await startGate(url, 54721);
        return gate;
      },
    }),
  });
  try {
    // Not spawnSync: what dies is begun again by this very process.
    const child = spawn('node', [inRoot('dist/faults.mjs'), ...parts], {
      cwd: ROOT,
      stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
      env: {
        ...process.env,
        ...running.environment,
        ...{ FAULTS_DATA: inRoot('.data'), FAULTS_CHROMIUM: chromium ?? '' },
      },
    });
    child.on('message', async (state) => {
      await gate?.set(state);
      child.send(state);
    });
    const code = await new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
    if (code !== 0) process.exitCode = code;
  } finally {
    await running.stop();
  }
}
