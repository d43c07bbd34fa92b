import { spawn, spawnSync } from 'node:child_process';
import { onceFor } from './freshness.mjs';
import { bundle, headlessBundle } from './headless.mjs';
import { inRoot, ROOT } from './paths.mjs';
import { SetUpFault, say } from './say.mjs';
import { squeezeFiles } from './squeeze-files.mjs';

const SOURCES = ['src', 'demo', 'tills', 'bin', 'astro.config.ts', 'package-lock.json', 'public'];

/** Makes the production build, only when sources changed since the last one. */
export async function ensureBuild() {
  await headlessBundle();
  await onceFor('dist/.build-stamp', SOURCES, async () => {
    say('Building …');
    const built = spawnSync('node', ['node_modules/astro/astro.js', 'build'], {
      cwd: ROOT,
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1' },
    });
    if (built.status !== 0) throw new SetUpFault(`The build failed:\n${built.stdout}${built.stderr}`);
    await squeezeFiles(inRoot('dist/app/client'));
    const external = ['pg-native'];
    const programs = {
      'bin/prepare/main.ts': 'prepare',
      'src/server/entry/main.ts': 'server',
      'src/server/heavy/heavy-worker.ts': 'heavy-worker',
      'src/server/files/read-file-worker.ts': 'read-file-worker',
      'src/server/heavy/price-files-worker.ts': 'price-files-worker',
    };
    for (const [entry, name] of Object.entries(programs))
      await bundle(entry, `dist/${name}.mjs`, { external, packages: 'external' });
    await bundle('tills/main.ts', 'dist/tills.mjs');
  });
}

/**
 * Migrates, and loads the demo chain where that is asked for and there is none.
 * @returns the code for the first administrator; null where somebody looks after it already.
 */
export function prepareDatabase(environment) {
  const run = spawnSync('node', [inRoot('dist/prepare.mjs')], {
    cwd: ROOT,
    env: { ...process.env, ...environment },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  if (run.status !== 0)
    throw new SetUpFault(
      'Preparing the database failed; what it said stands above. Nothing was half done: every migration runs whole or not at all.',
    );
  const said = run.stdout.toString().match(/^\{"firstCode":.*$/m);
  return said ? JSON.parse(said[0]).firstCode : null;
}

/** Starts one of our programs; its output goes through. */
export function startProgram(path, environment, out = 'inherit') {
  // A group of its own, so that Ctrl-C reaches the script alone and things stop in order.
  const child = spawn('node', [inRoot(path)], {
    cwd: ROOT,
    env: { ...process.env, ...environment },
    stdio: ['ignore', out, out],
    detached: true,
  });
  const gone = new Promise((resolve) => child.once('exit', resolve));
  return {
    gone,
    pid: child.pid,
    async stop() {
      child.kill('SIGTERM');
      await gone;
    },
  };
}

/**
 * Waits until every thread of the application has had the plan: who signs in then waits for none of them. Where that
 * takes too long it goes on all the same.
 */
export async function untilWarm(url) {
  for (let tries = 0; tries < 300; tries++) {
    const body = await fetch(url)
      .then((reply) => reply.json())
      .catch(() => null);
    if (body?.warm) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Waits until an address answers. */
export async function untilAnswers(url, program) {
  let over = false;
  program.gone.then(() => {
    over = true;
  });
  for (let tries = 0; tries < 600; tries++) {
    if (over) throw new SetUpFault(`The program for ${url} stopped before it answered.`);
    const reply = await fetch(url).catch(() => null);
    if (reply?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new SetUpFault(`${url} did not answer within a minute.`);
}
