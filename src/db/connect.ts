import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate as runMigrations } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as schema from './schema/index.ts';
import { watchForSilence } from './silence.ts';

export type Database = NodePgDatabase<typeof schema>;
/** What is done in one go or not at all. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  readonly db: Database;
  readonly pool: pg.Pool;
}

/** Longer than this nobody waits for a connection: the database counts as away. */
const CONNECT_WITHIN = 5_000;

/**
 * @param url a PostgreSQL connection URL.
 * @param connections at most.
 * @param within milliseconds after which who waits for one is told that there is none.
 */
export function connect(url: string, connections = 10, within = CONNECT_WITHIN): Connection {
  const pool = new pg.Pool({
    connectionString: url,
    max: connections,
    connectionTimeoutMillis: within,
    keepAlive: true,
  });
  // An idle connection that breaks is taken out by the pool; the next question makes a new one.
  pool.on('error', () => {});
  // One that breaks while it is in use tells whoever asks by their question; unheard, this would end the whole process.
  pool.on('connect', (client) => client.on('error', () => {}));
  watchForSilence(pool, url);
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), pool };
}

/** A number of ours alone, under which servers that begin at the same moment wait for one another. */
const MIGRATING = 4_321_001;

/** Runs the migrations that have not run yet, in order, one server at a time; there is no way back. */
export async function migrate({ db, pool }: Connection, folder: string): Promise<void> {
  const client = await pool.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATING]);
    await runMigrations(db, { migrationsFolder: folder });
  } finally {
    // Ended, not given back: the lock goes with it.
    client.release(true);
  }
}
