#!/usr/bin/env node
// npm run faults [-- part …]: what comes in and goes wrong, against an application, a database and tills of its own.
import { spawn } from 'node:child_process';
import { bundle } from './set-up/headless.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run } from './set-up/say.mjs';

await run(async () => {
  await ensurePackages();
  await bundle('faults/main.ts', 'dist/faults.mjs', { packages: 'external' });
  const running = await startEverything({
    name: 'faults',
    port: await freePort(4621),
    databasePort: 54621,
    tillPort: 4651,
    fresh: true,
  });
  try {
    // Not spawnSync: what dies is begun again by this very process.
    const child = spawn('node', [inRoot('dist/faults.mjs'), ...process.argv.slice(2)], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ...running.environment, FAULTS_DATA: inRoot('.data') },
    });
    process.exitCode = await new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
  } finally {
    await running.stop();
  }
});
