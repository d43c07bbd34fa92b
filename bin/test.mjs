#!/usr/bin/env node
// npm test: installs what is missing, then runs every check and test, and counts them.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { ensureChromium } from './set-up/chromium.mjs';
import { headlessBundle } from './set-up/headless.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { freePort } from './set-up/ports.mjs';
import { startEverything } from './set-up/running.mjs';
import { run, SetUpFault, say } from './set-up/say.mjs';

const CHECKS = [
  ['lint', ['node_modules/@biomejs/biome/bin/biome', 'check', '.']],
  ['types', ['node_modules/typescript/bin/tsc', '--noEmit']],
  ['pages', ['node_modules/astro/astro.js', 'check', '--minimumFailingSeverity', 'warning']],
];
/** Two cores: what a browser looks at goes on beside everything else, each with an application of its own. */
const LANES = [
  { house: 'test', projects: ['alone', 'asked'] },
  { house: 'test-browser', projects: ['browser'] },
];

await run(async () => {
  await ensurePackages();
  await headlessBundle();
  const chromium = ensureChromium();
  const counts = { passed: 0, failed: 0 };
  for (const { name, passed, told } of await Promise.all(CHECKS.map(check))) {
    say(`\n${name}`);
    process.stdout.write(told);
    counts[passed ? 'passed' : 'failed']++;
  }
  // Their tills ask often, so that tests need not wait for them.
  process.env.BELLTAG_TILL_POLL = '1400';
  // Two of each store are enough for them, and leave the cores to what is tested.
  process.env.BELLTAG_TILLS_A_STORE = '2';
  // Named tests only: "npm test -- tests/browser".
  const only = process.argv.slice(2);
  const lanes =
    only.length > 0 ? [{ house: 'test', projects: LANES.flatMap((lane) => lane.projects) }] : LANES;
  const houses = [];
  let ran = 0;
  try {
    for (const [index, { house }] of lanes.entries()) houses.push(await begin(house, index));
    const lanesRun = lanes.map(({ projects }, index) =>
      tests(`dist/test-report-${index}.json`, [...only, ...projects.flatMap((name) => ['--project', name])], {
        ...houses[index].environment,
        TEST_CHROMIUM: chromium,
        TEST_WORKERS: lanes.length > 1 ? '1' : '2',
      }),
    );
    for (const lane of lanesRun) {
      const report = await lane;
      ran += report.numPassedTests;
      counts.passed += report.numPassedTests;
      // A file that cannot be loaded has no tests to count, and has failed all the same.
      counts.failed += report.numFailedTests || report.numFailedTestSuites;
    }
  } finally {
    for (const house of houses) await house.stop();
  }
  say(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0 || ran === 0) process.exitCode = 1;
});

/** The whole of Bell Tag with a database and tills of its own, and how tests find it. */
async function begin(name, index) {
  const { environment, stop } = await startEverything({
    name,
    port: await freePort(4421 + 50 * index),
    databasePort: 54421 + index,
    tillPort: 4441 + 50 * index,
    quiet: true,
    fresh: true,
  });
  const { BELLTAG_ORIGIN, BELLTAG_SECRET, BELLTAG_TILL_PAGE, BELLTAG_TILLS, DATABASE_URL } = environment;
  return {
    stop,
    environment: {
      TEST_ORIGIN: BELLTAG_ORIGIN,
      TEST_TILL_PAGE: BELLTAG_TILL_PAGE,
      TEST_TILLS: BELLTAG_TILLS,
      TEST_DATABASE_URL: DATABASE_URL,
      TEST_SECRET: BELLTAG_SECRET,
      NODE_ENV: 'test',
    },
  };
}

/** Runs tests, tells of each file as it ends, and reads what came of them. */
async function tests(path, words, environment) {
  rmSync(inRoot(path), { force: true });
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${inRoot(path)}`];
  const child = begun(
    ['node_modules/vitest/vitest.mjs', 'run', ...words, ...reporters],
    environment,
    'inherit',
  );
  await new Promise((resolve) => child.once('close', resolve));
  if (!existsSync(inRoot(path)))
    throw new SetUpFault('The tests ended before they could say what came of them.');
  return JSON.parse(readFileSync(inRoot(path), 'utf8'));
}

const check = async ([name, words]) => ({ name, ...(await toldLater(words)) });

/** Runs a check, and keeps what it says until somebody asks: what runs side by side is told one after another. */
function toldLater(words) {
  const child = begun(words, {}, 'pipe');
  let told = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (part) => {
      told += part;
    });
  return new Promise((resolve) => child.once('close', (code) => resolve({ passed: code === 0, told })));
}

const begun = (words, environment, out) =>
  spawn('node', words, {
    cwd: ROOT,
    stdio: ['ignore', out, out],
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', ...environment },
  });
