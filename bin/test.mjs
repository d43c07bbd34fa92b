#!/usr/bin/env node
// npm test: installs what is missing, then runs every check and test, and counts them.
import { spawn, spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { ensureChromium } from './set-up/chromium.mjs';
import { headlessBundle } from './set-up/headless.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run, say } from './set-up/say.mjs';

const CHECKS = [
  ['lint', ['node_modules/@biomejs/biome/bin/biome', 'check', '.']],
  ['types', ['node_modules/typescript/bin/tsc', '--noEmit']],
  ['pages', ['node_modules/astro/astro.js', 'check', '--minimumFailingSeverity', 'warning']],
];

await run(async () => {
  await ensurePackages();
  await headlessBundle();
  const chromium = ensureChromium();
  const counts = { passed: 0, failed: 0 };
  const node = (words, environment = {}) =>
    spawnSync('node', words, {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', ...environment },
    }).status === 0;
  // Two cores: they are looked at side by side, and told one after another.
  const checked = CHECKS.map(([name, words]) => [name, toldLater(words)]);
  for (const [name, check] of checked) {
    const { passed, told } = await check;
    say(`\n${name}`);
    process.stdout.write(told);
    counts[passed ? 'passed' : 'failed']++;
  }
  // The whole of Bell Tag with a database of its own; its tills ask often, so that tests need not wait for them.
  process.env.BELLTAG_TILL_POLL = '1400';
  // One of each store is enough for them, and leaves the cores to what is tested.
  process.env.BELLTAG_TILLS_A_STORE = '1';
  const running = await startEverything({
    name: 'test',
    port: await freePort(4421),
    databasePort: 54421,
    tillPort: 4451,
    fresh: true,
  });
  const { BELLTAG_ORIGIN, BELLTAG_SECRET, BELLTAG_TILL_PAGE, BELLTAG_TILLS, DATABASE_URL } =
    running.environment;
  const report = inRoot('dist/test-report.json');
  rmSync(report, { force: true });
  // Named tests only: "npm test -- tests/browser".
  const only = process.argv.slice(2);
  const vitest = [
    'node_modules/vitest/vitest.mjs',
    'run',
    ...only,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ];
  try {
    node(vitest, {
      TEST_ORIGIN: BELLTAG_ORIGIN,
      TEST_TILL_PAGE: BELLTAG_TILL_PAGE,
      TEST_TILLS: BELLTAG_TILLS,
      TEST_DATABASE_URL: DATABASE_URL,
      TEST_SECRET: BELLTAG_SECRET,
      TEST_CHROMIUM: chromium,
      NODE_ENV: 'test',
    });
  } finally {
    await running.stop();
  }
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
  counts.passed += numPassedTests;
  // A file that cannot be loaded has no tests to count, and has failed all the same.
  counts.failed += numFailedTests || numFailedTestSuites;
  say(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0 || numPassedTests === 0) process.exitCode = 1;
});

/** Runs a check, and keeps what it says until somebody asks. */
function toldLater(words) {
  const child = spawn('node', words, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
  });
  let told = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part) => {
      told += part;
    });
  return new Promise((resolve) => child.once('close', (code) => resolve({ passed: code === 0, told })));
}
