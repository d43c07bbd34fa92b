import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

const ROOT = process.cwd();
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'belltag-set-up-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** Runs a few lines of a module that use the set-up scripts, with an environment of their own. */
function script(lines: string, environment: Record<string, string> = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['--input-type=module', '-e', lines], {
    encoding: 'utf8',
    cwd: folder,
    env: environment,
  });
  return { status, stdout, stderr };
}
const from = (file: string) => JSON.stringify(`${ROOT}/bin/set-up/${file}`);

describe('what is missing and cannot be had is told with what to do', () => {
  it('where apt is not there', () => {
    const lines = `import { installDebianPackage } from ${from('debian.mjs')}; import { run } from ${from('say.mjs')};
      await run(async () => installDebianPackage('postgresql', 'PostgreSQL is missing'));`;
    const { status, stderr } = script(lines, { PATH: folder });
    expect(status).toBe(1);
    expect(stderr).toBe(
      '\nPostgreSQL is missing, and apt-get is not on this machine. Install postgresql and run this again.\n',
    );
  });

  it('where a server does not let us in', () => {
    const lines = `import { startPostgres } from ${from('postgres.mjs')}; import { run } from ${from('say.mjs')};
      await run(async () => { await startPostgres('test', 1, true); });`;
    const { status, stderr } = script(lines, {
      PATH: process.env.PATH!,
      DATABASE_URL: 'postgres://nobody@127.0.0.1:9/x',
    });
    expect(status).toBe(1);
    expect(stderr).toMatch(/The PostgreSQL server does not let us in: .*ECONNREFUSED/);
  });
});

describe('ports', () => {
  it('that are taken are passed over', async () => {
    const server = createServer();
    const port = await new Promise<number>((resolve) => {
      server.listen(0, '127.0.0.1', () => resolve((server.address() as { port: number }).port));
    });
    const lines = `import { freePort, isFree } from ${from('ports.mjs')};
      console.log(await isFree(${port}), (await freePort(${port})) > ${port});`;
    expect(script(lines).stdout.trim()).toBe('false true');
    await new Promise((resolve) => server.close(resolve));
  });
});

describe('work that depends on sources', () => {
  it('is done once, again when they change, and again after it failed', () => {
    // The scripts name everything from the checkout's own folder.
    const here = relative(ROOT, folder);
    const lines = `import { mkdirSync, writeFileSync } from 'node:fs';
      import { onceFor } from ${from('freshness.mjs')};
      const sources = [${JSON.stringify(here)} + '/src'];
      const file = ${JSON.stringify(folder)} + '/src/a';
      const stamp = ${JSON.stringify(here)} + '/stamp';
      mkdirSync(${JSON.stringify(folder)} + '/src');
      const done = [];
      const times = async (name, fails) => done.push(await onceFor(stamp, sources, () => { if (fails) throw new Error(name); }).catch(() => 'failed'));
      writeFileSync(file, '1'); await times('first'); await times('second');
      writeFileSync(file, '2'); await times('third', true); await times('fourth'); await times('fifth');
      console.log(done.join(' '));`;
    expect(script(lines).stdout.trim()).toBe('true false failed true false');
  });
});

describe('a part that dies', () => {
  it('begins again after pauses that grow, and afresh where it had begun well', () => {
    const lines = `import { nextPause } from ${from('supervise.mjs')};
      const pauses = [];
      let pause = 0;
      for (const well of '0000000001010') pauses.push((pause = nextPause(well === '1', pause)));
      console.log(pauses.join(' '));`;
    expect(script(lines).stdout.trim()).toBe(
      '500 1000 2000 4000 8000 16000 30000 30000 30000 500 1000 500 1000',
    );
  });

  it('is begun anew until it is stopped, and each death is told in a line', () => {
    const lines = `import { spawn } from 'node:child_process';
      import { supervise } from ${from('supervise.mjs')};
      const begun = [];
      let onBegun = () => {};
      const begin = () => {
        const child = spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)']);
        const gone = new Promise((resolve) => child.once('exit', resolve));
        begun.push(child);
        onBegun();
        return { gone, stop: async () => { child.kill(); await gone; } };
      };
      const kept = supervise('The part', begin(), begin);
      const again = new Promise((resolve) => { onBegun = resolve; });
      begun[0].kill('SIGKILL');
      await again;
      await kept.stop();
      console.log(begun.length, begun[1].exitCode ?? begun[1].signalCode);`;
    expect(script(lines).stdout.trim().split('\n')).toEqual([
      'The part ended by itself; it begins again in 0.5 s.',
      '2 SIGTERM',
    ]);
  });
});
