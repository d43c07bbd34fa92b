#!/usr/bin/env node
// npm run bench [-- part …]: figures as ratios measured side by side in one run, on an application and a database of its own.
import { spawnSync } from 'node:child_process';
import { bundle } from './set-up/headless.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run, say } from './set-up/say.mjs';

// What needs no application is measured while none runs beside it.
const ALONE = ['large', 'loopholes', 'overlaps', 'worksheet', 'basket'];
// The search comes last: it puts a larger chain in the place of the demo.
const WITH_APPLICATION = ['book', 'codes', 'import', 'search'];
const asked = process.argv.slice(2);
const wanted = (names) => names.filter((name) => asked.length === 0 || asked.includes(name));

/** Measures some parts in a process of their own. */
function measure(names, environment = {}) {
  const { status } = spawnSync('node', [inRoot('dist/bench.mjs'), ...names], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  });
  process.exitCode = Math.max(process.exitCode ?? 0, status ?? 1);
}

await run(async () => {
  await ensurePackages();
  await bundle('bench/main.ts', 'dist/bench.mjs', { packages: 'external' });
  const alone = wanted(ALONE);
  if (alone.length > 0) measure(alone);
  const others = wanted(WITH_APPLICATION);
  if (others.length === 0) return;
  const start = async (fresh) =>
    startEverything({
      name: 'bench',
      port: await freePort(4521),
      databasePort: 54521,
      tillPort: 4551,
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
    measure(others, running.environment);
  } finally {
    await running.stop();
  }
});
