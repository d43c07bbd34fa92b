#!/usr/bin/env node
// npm run bench [-- part …]: figures as ratios measured side by side in one run, on an application and a database of its own.
import { spawnSync } from 'node:child_process';
import { bundle } from './set-up/headless.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run, say } from './set-up/say.mjs';

await run(async () => {
  const start = async (fresh) =>
    startEverything({
      name: 'bench',
      port: await freePort(4521),
      databasePort: 54521,
      tillPort: 4551,
      quiet: true,
      fresh,
    });
  await (await start(true)).stop();
  const begun = performance.now();
  const running = await start(false);
  const page = await fetch(`${running.environment.BELLTAG_ORIGIN}/sign-in`);
  await page.text();
  say(
    `npm start on a set-up machine, to the first page: ${((performance.now() - begun) / 1000).toFixed(1)} s\n`,
  );
  try {
    await bundle('bench/main.ts', 'dist/bench.mjs', { packages: 'external' });
    const { status } = spawnSync('node', [inRoot('dist/bench.mjs'), ...process.argv.slice(2)], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ...running.environment },
    });
    process.exitCode = status ?? 1;
  } finally {
    await running.stop();
  }
});
