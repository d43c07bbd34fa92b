#!/usr/bin/env node
// npm test: installs what is missing, then runs every check and test, and counts them.
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { headlessBundle } from './set-up/headless.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { run, say } from './set-up/say.mjs';

await run(async () => {
  await ensurePackages();
  await headlessBundle();
  const counts = { passed: 0, failed: 0 };
  const node = (words) => spawnSync('node', words, { cwd: ROOT, stdio: 'inherit' }).status === 0;
  for (const [name, words] of [
    ['lint', ['node_modules/@biomejs/biome/bin/biome', 'check', '.']],
    ['types', ['node_modules/typescript/bin/tsc', '--noEmit']],
  ]) {
    say(`\n${name}`);
    counts[node(words) ? 'passed' : 'failed']++;
  }
  const report = inRoot('dist/test-report.json');
  rmSync(report, { force: true });
  node([
    'node_modules/vitest/vitest.mjs',
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ]);
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(report, 'utf8'));
  counts.passed += numPassedTests;
  // A file that cannot be loaded has no tests to count, and has failed all the same.
  counts.failed += numFailedTests || numFailedTestSuites;
  say(`\n${counts.passed} passed, ${counts.failed} failed`);
  if (counts.failed > 0 || numPassedTests === 0) process.exitCode = 1;
});
