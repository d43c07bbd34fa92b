import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { onceFor } from './freshness.mjs';
import { inRoot, ROOT } from './paths.mjs';
import { SetUpFault, say } from './say.mjs';

/** Installs the npm packages where they are missing or older than the lock file. */
export async function ensurePackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) throw new SetUpFault(`Bell Tag needs Node.js 20 or newer; this is ${process.version}.`);
  const install = () => {
    say('Installing npm packages …');
    const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    if (status !== 0)
      throw new SetUpFault('npm ci failed. Is the npm registry reachable? Then run this again.');
  };
  if (existsSync(inRoot('node_modules')))
    await onceFor('node_modules/.belltag-stamp', ['package-lock.json'], install);
  else {
    install();
    await onceFor('node_modules/.belltag-stamp', ['package-lock.json'], () => {});
  }
}
