import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { codeRepository, connect, type Database, migrate, usesRepository } from '../src/db/index.ts';
import { codeSeal } from '../src/signing/index.ts';
import { fillCodeBatches } from '../src/usecases/index.ts';
import { freshDatabase } from './fresh-database.ts';
import { share, timesOf } from './median.ts';

const CODES = 1_000_000;
const SECRET = 'a secret of the bench, and of no installation';
const PATTERN = { length: 12, of: 'both', prefix: 'Q-', suffix: '', dashEvery: 4 } as const;

/** A million single-use codes, from the draw to the commit, beside COPY of the same rows; and uses of one limit asked for at once. */
export async function benchCodes(databaseUrl: string): Promise<string[]> {
  const url = await freshDatabase(databaseUrl, 'bench_codes');
  const connection = connect(url);
  await migrate(connection, `${process.cwd()}/src/db/migrations`);
  const codes = codeRepository(connection.db);
  const seal = codeSeal(SECRET);
  const wanted = {
    promotion: 'bench',
    pattern: PATTERN,
    wanted: CODES,
    fromDay: null,
    toDay: null,
    test: false,
  };
  await codes.begin(wanted, new Date(), { person: null, action: 'codes asked for' });
  const [made] = await timesOf(
    async () => {
      while (await fillCodeBatches({ codes, codeSeal: seal }));
    },
    1,
    0,
  );
  const { rows } = await connection.pool.query<{ hash: Buffer; batch: number }>(
    'select hash, batch from batch_code',
  );
  await connection.pool.query('truncate batch_code');
  const [copied] = await timesOf(() => copy(url, rows), 1, 0);
  const asks = await askedAtOnce(connection.db);
  await connection.pool.end();
  return [
    `${CODES.toLocaleString('en')} single-use codes, drawn, sealed and stored, each once:`,
    `  made              ${(made! / 1000).toFixed(2)} s`,
    `  COPY of the rows  ${(copied! / 1000).toFixed(2)} s   hash and batch alone, into the same table`,
    `  ratio             ${(made! / copied!).toFixed(2)}`,
    ...asks,
  ];
}

async function copy(url: string, rows: readonly { hash: Buffer; batch: number }[]): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const lines = function* () {
    for (const { hash, batch } of rows) yield `\\\\x${hash.toString('hex')}\t${batch}\n`;
  };
  await pipeline(Readable.from(lines()), client.query(copyFrom('copy batch_code (hash, batch) from stdin')));
  await client.end();
}

const TILLS = 100;
const ROUNDS = 10;

/** One limit of which 100 tills ask at once, again and again, and as many limits as tills. */
async function askedAtOnce(db: Database): Promise<string[]> {
  const uses = usesRepository(db);
  const told: string[] = [];
  for (const each of [false, true]) {
    const times: number[] = [];
    const begun = performance.now();
    await Promise.all(
      Array.from({ length: TILLS }, async (_, till) => {
        for (let round = 0; round < ROUNDS; round++) {
          const id = each ? `limit-${till}` : 'limit';
          const use = { key: id, promotion: id, most: 1_000_000 };
          const at = { terminal: `till-${till}`, basket: `basket-${round}` };
          const asked = performance.now();
          await uses.hold(at, [use], new Date(), new Date(Date.now() + 600_000));
          times.push(performance.now() - asked);
          await uses.take({ ...at, store: 'east' }, [use], new Date());
        }
      }),
    );
    const seconds = (performance.now() - begun) / 1000;
    times.sort((a, b) => a - b);
    told.push(
      `  ${TILLS} tills ask for ${each ? 'a limit each' : 'one limit'}, and use it: ${Math.round((TILLS * ROUNDS) / seconds)} a second, p50 ${Math.round(share(times))} ms, p99 ${Math.round(share(times, 0.99))} ms`,
    );
  }
  return told;
}
