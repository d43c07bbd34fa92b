#!/usr/bin/env node
// npm run build: installs the packages and makes what a server runs (dist), where sources changed since the last time.
import { ensureBuild } from './set-up/application.mjs';
import { ensurePackages } from './set-up/packages.mjs';
import { run } from './set-up/say.mjs';

await run(async () => {
  await ensurePackages();
  await ensureBuild();
});
