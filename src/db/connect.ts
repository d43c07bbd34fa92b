import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate as runMigrations } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as schema from './schema/index.ts';

export type Database = NodePgDatabase<typeof schema>;
export interface Connection {
  readonly db: Database;
  readonly pool: pg.Pool;
}

/** @param url a PostgreSQL connection URL. */
export function connect(url: string): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), pool };
}

/** Runs the migrations that have not run yet, in order; there is no way back. */
export const migrate = (db: Database, folder: string): Promise<void> =>
  runMigrations(db, { migrationsFolder: folder });
