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

/** Runs the migrations that have not run yet, in order; there is no way back. */
export const migrate = (db: Database, folder: string): Promise<void> =>
  runMigrations(db, { migrationsFolder: folder });
