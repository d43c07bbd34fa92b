import { chain, DEMO } from '../../demo/chain.ts';
import { connect, migrate, planVersion } from '../../src/db/index.ts';
import { readEnvironment } from '../../src/server/machine/environment.ts';
import { firstCode } from '../../src/server/standing/first-code.ts';
import { loadDemo } from './demo.ts';

/**
 * Migrates the database; loads the demo chain where that is asked for and no chain is there. Where nobody looks after it
 * yet, a new code for the first administrator is printed, as JSON. Run again, it changes nothing else.
 */
async function prepare(): Promise<void> {
  const environment = readEnvironment(process.env);
  const connection = connect(environment.databaseUrl);
  const { db, pool } = connection;
  try {
    await migrate(connection, `${process.cwd()}/src/db/migrations`);
    if (environment.demo && (await planVersion(db)) === null) {
      const today = new Date().toISOString().slice(0, 10);
      await loadDemo(db, environment, chain(DEMO, today), process.env.BELLTAG_TILLS!);
    }
    const code = await firstCode(db, environment.demo);
    if (code !== null) process.stdout.write(`${JSON.stringify({ firstCode: code })}\n`);
  } finally {
    await pool.end();
  }
}

await prepare();
