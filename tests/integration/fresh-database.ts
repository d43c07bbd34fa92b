import pg from 'pg';
import { connect, type Database, migrate } from '../../src/db/index.ts';
import { running } from '../application/running.ts';

let made = 0;

/** A database of its own on the test server, with nothing in it, and how to be rid of it. */
export async function emptyDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const server = running().databaseUrl;
  const name = `integration_${process.pid}_${++made}`;
  await ask(server, `create database ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  return { url: url.href, drop: () => ask(server, `drop database ${name} with (force)`) };
}

/** The same, migrated. */
export async function freshDatabase(): Promise<{ db: Database; url: string; drop: () => Promise<void> }> {
  const { url, drop } = await emptyDatabase();
  const connection = connect(url);
  await migrate(connection, `${process.cwd()}/src/db/migrations`);
  return {
    db: connection.db,
    url,
    async drop() {
      await connection.pool.end();
      await drop();
    },
  };
}

async function ask(url: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(sql).finally(() => client.end());
}
