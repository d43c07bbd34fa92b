import { createHash, randomBytes } from 'node:crypto';
import pg from 'pg';
import { asker, beside, ms } from './asker.ts';

const TERMINALS = 1_000;

/** A thousand terminals that take a new file at once, and that find nothing new, with a search beside them. */
export async function pollByMany(origin: string, databaseUrl: string): Promise<string[]> {
  const keys = await enrol(databaseUrl);
  const rufus = await asker(origin, 'rufus');
  const viewer = await asker(origin, 'odile');
  // What is known of keys is read every two seconds.
  await new Promise((resolve) => setTimeout(resolve, 2_500));
  const poll = async (key: string, have: number | null) => {
    const query = have === null ? '' : `?have=${have}`;
    const reply = await fetch(`${origin}/api/till/price-file${query}`, {
      headers: { authorization: `Bearer ${key}` },
    });
    const bytes = Number(reply.headers.get('content-length') ?? 0);
    const body = await reply.text();
    return {
      status: reply.status,
      bytes,
      number:
        reply.status === 200
          ? (JSON.parse(body.slice(0, 200).replace(/,"content.*/s, '}')) as { number: number }).number
          : have,
    };
  };
  const alone = await beside(
    rufus,
    () => new Promise((resolve) => setTimeout(resolve, 3_000)),
    '/api/items?q=sun',
  );
  const taking = await beside(
    viewer,
    () => timed(() => Promise.all(keys.map((key) => poll(key, null)))),
    '/api/items?q=sun',
  );
  const { value: took } = taking;
  const taken = took.value.filter(({ status }) => status === 200);
  const bytes = taken.reduce((sum, one) => sum + one.bytes, 0);
  const held = new Map(keys.map((key, i) => [key, took.value[i]!.number]));
  const nothingNew = await beside(
    viewer,
    () =>
      timed(async () => {
        for (let round = 0; round < 5; round++)
          await Promise.all(keys.map((key) => poll(key, held.get(key) ?? null)));
      }),
    '/api/items?q=sun',
  );
  return [
    `${TERMINALS} terminals:`,
    `  take a new file at once: ${taken.length} of ${keys.length} in ${(took.time / 1000).toFixed(1)} s, ${(bytes / 1_000_000).toFixed(1)} MB as it goes over; a search beside it p99 ${ms(taking.p99)}, worst ${ms(taking.worst)} (alone p99 ${ms(alone.p99)})`,
    `  find nothing new: ${(nothingNew.value.time / (5 * keys.length) || 0).toFixed(2)} ms a poll, asker and answerer together on one machine; a search beside it p99 ${ms(nothingNew.p99)}`,
  ];
}

async function timed<T>(work: () => Promise<T>): Promise<{ value: T; time: number }> {
  const begun = performance.now();
  const value = await work();
  return { value, time: performance.now() - begun };
}

/** Terminals with keys, spread over the stores that were sent something. */
async function enrol(databaseUrl: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows } = await client.query('select distinct store from price_file order by store');
  const keys: string[] = [];
  for (let i = 0; i < TERMINALS; i++) {
    const key = randomBytes(24).toString('base64url');
    const hash = createHash('sha256').update(key).digest('hex');
    await client.query('insert into terminal (id, store, key_hash) values ($1, $2, $3)', [
      `many-${i}`,
      rows[i % rows.length].store,
      hash,
    ]);
    keys.push(key);
  }
  await client.end();
  return keys;
}
