import pg from 'pg';

/** An empty database beside that of an address. @returns its address. */
export async function freshDatabase(databaseUrl: string, name: string): Promise<string> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query(`drop database if exists ${name} with (force)`);
  await client.query(`create database ${name}`);
  await client.end();
  const url = new URL(databaseUrl);
  url.pathname = `/${name}`;
  return url.href;
}
