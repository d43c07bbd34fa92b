#!/usr/bin/env node
// The headless command. Runs the bundle that set-up made; makes it where it is missing or older than its sources.
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { headlessBundle } from './set-up/headless.mjs';

const bundle = fileURLToPath(new URL('../dist/belltag.mjs', import.meta.url));
if (!existsSync(bundle)) {
  const ready = await headlessBundle();
  if (!ready) {
    process.stderr.write(
      'belltag: this checkout has not been set up; run "npm start" or "npm test" once, or "npm ci"\n',
    );
    process.exit(2);
  }
}
await import(bundle);
