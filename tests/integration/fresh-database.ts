import pg from 'pg';
import { connect, type Database, migrate } from '../../src/db/index.ts';
import { running } from '../application/running.ts';

let made = 0;

/** A migrated database of its own on the test server, and how to be rid of it. */
export async function freshDatabase(): Promise<{ db: Database; url: string; drop: () => Promise<void> }> {
  const server = running().databaseUrl;
  const name = `integration_${process.pid}_${++made}`;
  await ask(server, `create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  const { db, pool } = connect(url.href);
  await migrate(db, `${process.cwd()}/src/db/migrations`);
  return {
    db,
    url: url.href,
    async drop() {
      await pool.end();
      await ask(server, `drop database ${name} with (force)`);
    },
  };
}

async function ask(url: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(sql).finally(() => client.end());
}
