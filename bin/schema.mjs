#!/usr/bin/env node
// npm run schema: writes docs/plan.schema.json anew from the schemas of the application.
import { spawnSync } from 'node:child_process';
import { bundle } from './set-up/headless.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { run } from './set-up/say.mjs';

await run(async () => {
  await bundle('bin/schema/main.ts', 'dist/schema.mjs', { packages: 'external' });
  process.exitCode =
    spawnSync('node', [inRoot('dist/schema.mjs')], { cwd: ROOT, stdio: 'inherit' }).status ?? 1;
});
