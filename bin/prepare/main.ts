import { chain, DEMO } from '../../demo/chain.ts';
import { connect, migrate, planVersion } from '../../src/db/index.ts';
import { readEnvironment } from '../../src/server/machine/environment.ts';
import { loadDemo } from './demo.ts';

/** Migrates the database; loads the demo chain where that is asked for and no chain is there. Run again, it changes nothing. */
async function prepare(): Promise<void> {
  const environment = readEnvironment(process.env);
  const { db, pool } = connect(environment.databaseUrl);
  try {
    await migrate(db, `${process.cwd()}/src/db/migrations`);
    if (environment.demo && (await planVersion(db)) === null) {
      const today = new Date().toISOString().slice(0, 10);
      await loadDemo(db, environment, chain(DEMO, today), process.env.BELLTAG_TILLS!);
    }
  } finally {
    await pool.end();
  }
}

await prepare();
