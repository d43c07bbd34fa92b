#!/usr/bin/env node
// The headless command. Runs the bundle that set-up made; makes it where it is missing.
const { existsSync, readFileSync, writeFileSync } = require('node:fs');
const Module = require('node:module');
const { dirname, join } = require('node:path');
const { Script } = require('node:vm');

const BUNDLE = join(__dirname, '../dist/belltag.cjs');

/** Compiling is a third of a short call: what V8 made of the bundle is kept beside it, and made again where V8 differs. */
function runBundle() {
  const kept = `${BUNDLE}.v8`;
  const cachedData = existsSync(kept) ? readFileSync(kept) : undefined;
  const script = new Script(Module.wrap(readFileSync(BUNDLE, 'utf8')), { filename: BUNDLE, cachedData });
  const bundle = { exports: {} };
  script.runInThisContext()(bundle.exports, Module.createRequire(BUNDLE), bundle, BUNDLE, dirname(BUNDLE));
  if (!cachedData || script.cachedDataRejected) keep(kept, script.createCachedData());
}

function keep(path, data) {
  try {
    writeFileSync(path, data);
  } catch {
    // A checkout that cannot be written to answers all the same, a little later.
  }
}

async function main() {
  if (!existsSync(BUNDLE)) {
    const { headlessBundle } = await import('./set-up/headless.mjs');
    if (!(await headlessBundle())) {
      process.stderr.write(
        'belltag: this checkout has not been set up; run "npm start" or "npm test" once, or "npm ci"\n',
      );
      process.exitCode = 2;
      return;
    }
  }
  runBundle();
}

main();
