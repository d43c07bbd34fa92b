import { createHash, randomBytes } from 'node:crypto';
import pg from 'pg';

export const TERMINALS = 1_000;

/** Terminals with keys, spread over the stores that were sent something. */
export async function enrol(databaseUrl: string, prefix = 'many'): Promise<string[]> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows } = await client.query('select distinct store from price_file order by store');
  const keys: string[] = [];
  for (let i = 0; i < TERMINALS; i++) {
    const key = randomBytes(24).toString('base64url');
    const hash = createHash('sha256').update(key).digest('hex');
    await client.query('insert into terminal (id, store, key_hash) values ($1, $2, $3)', [
      `${prefix}-${i}`,
      rows[i % rows.length].store,
      hash,
    ]);
    keys.push(key);
  }
  await client.end();
  return keys;
}
