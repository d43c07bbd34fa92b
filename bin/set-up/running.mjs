import { existsSync, mkdirSync, rmSync } from 'node:fs';
import { ensureBuild, prepareDatabase, startProgram, untilAnswers, untilWarm } from './application.mjs';
import { claim } from './claim.mjs';
import { openLog } from './log-file.mjs';
import { ensurePackages } from './packages.mjs';
import { inRoot } from './paths.mjs';
import { freePort, isFree } from './ports.mjs';
import { startPostgres } from './postgres.mjs';
import { SetUpFault } from './say.mjs';
import { secrets } from './secrets.mjs';
import { supervise } from './supervise.mjs';

/**
 * The whole of Bell Tag: database, application, simulated tills.
 * @param name "main", "own" or "test": each has its own database and its own till folder.
 * @param demo whether an empty database is filled with the demo chain.
 * @param fresh begins with an empty database and tills that hold nothing.
 * @param worker whether what is done by itself is done by a server of its own, to which nobody is sent.
 * @param way what stands between the application and its database, begun with the database's URL: its own URL, and how
 *   to stop it; null: nothing.
 */
export async function startEverything({
  name,
  port,
  databasePort,
  tillPort,
  fresh = false,
  demo = true,
  worker = false,
  way = null,
}) {
  await ensurePackages();
  const claimed = await claim(name);
  if (!(await isFree(port)))
    throw new SetUpFault(
      `Port ${port} of 127.0.0.1 is taken. Stop what runs there, or choose another: PORT=${port + 10} npm start`,
    );
  const stops = [claimed.release];
  const stop = async () => {
    for (const one of stops.splice(0).reverse()) await one();
  };
  try {
    const postgres = await startPostgres(name, databasePort, fresh);
    stops.push(postgres.stop);
    const between = await way?.(postgres.url);
    if (between) stops.push(between.stop);
    await ensureBuild();
    mkdirSync(inRoot('.data'), { recursive: true });
    if (fresh) rmSync(inRoot(`.data/tills-${name}`), { recursive: true, force: true });
    const tills = await freePort(tillPort);
    const environment = {
      DATABASE_URL: between?.url ?? postgres.url,
      BELLTAG_SECRET: process.env.BELLTAG_SECRET ?? secrets().cookieSecret,
      BELLTAG_DEMO: process.env.BELLTAG_DEMO ?? (demo ? '1' : '0'),
      BELLTAG_ORIGIN: process.env.BELLTAG_ORIGIN ?? `http://127.0.0.1:${port}`,
      BELLTAG_TILLS: inRoot(`.data/tills-${name}`),
      BELLTAG_TILL_PAGE: `http://127.0.0.1:${tills}`,
      HOST: '127.0.0.1',
      PORT: String(port),
      TILL_PORT: String(tills),
      NODE_ENV: 'production',
    };
    const firstCode = prepareDatabase(environment);
    const log = openLog(name);
    const keep = async (part, program, words, answers) => {
      const begin = () => {
        const begun = startProgram(program, words, log.descriptor);
        claimed.noteProgram(begun.pid, part);
        return begun;
      };
      const first = begin();
      // What fails at its first beginning is to be mended, not to be tried again.
      await untilAnswers(answers, first).catch(async (error) => {
        await first.stop();
        error.message += ` What it said stands at the end of ${log.path}.`;
        throw error;
      });
      stops.push(supervise(`The ${part}`, first, begin, (anew) => untilAnswers(answers, anew)).stop);
    };
    const health = `http://127.0.0.1:${port}/api/health`;
    const jobs = worker ? { BELLTAG_JOBS: '0' } : {};
    await keep('application', 'dist/server.mjs', { ...environment, ...jobs }, health);
    await untilWarm(health);
    if (worker) {
      const apart = await freePort(port + 1);
      environment.BELLTAG_WORKER = `http://127.0.0.1:${apart}/api/health`;
      await keep(
        'worker',
        'dist/server.mjs',
        { ...environment, PORT: String(apart) },
        environment.BELLTAG_WORKER,
      );
    }
    // Tills are enrolled with the demo chain. All of them fetch their first files at once, on this very machine.
    if (existsSync(`${environment.BELLTAG_TILLS}/tills.json`))
      await keep('tills', 'dist/tills.mjs', environment, environment.BELLTAG_TILL_PAGE);
    return { environment, firstCode, log: log.path, stop };
  } catch (error) {
    await stop();
    throw error;
  }
}
