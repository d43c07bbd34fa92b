import pg from 'pg';
import { type Instant, parseMoment } from '../src/core/calendar/index.ts';
import { readPlan } from '../src/core/plan/index.ts';
import { book, compile, NO_PRICE } from '../src/core/price-book/index.ts';
import { connect, loadPlan } from '../src/db/index.ts';
import { prepareSqlBook } from './sql-book.ts';

const STORE = 's001';
const RUNS = 200;
const SQL_RUNS = 20;

/** The book of one store: ours, and the same question as one SQL statement, the answers compared cell by cell. */
export async function benchBook(databaseUrl: string): Promise<string[]> {
  const { db, pool } = connect(databaseUrl);
  const stored = (await loadPlan(db))!;
  await pool.end();
  const compiled = compile(readPlan(stored.document));
  const clock = compiled.clockOf(compiled.stores.get(STORE)!);
  const face = stored.document.promotions.find(({ id }) => id === 'face-week')!;
  const at = parseMoment(`${face.when.from.slice(0, 10)}T18:30`, clock)! as Instant;
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const statement = await prepareSqlBook(client, compiled, STORE, at);

  const ours = () => book(compiled, at, [STORE]);
  const theirs = () => client.query({ ...statement, rowMode: 'array' });
  const sold = compare(ours(), (await theirs()).rows as [string, number, string | null][], compiled);
  const ourMs = await median(ours);
  const sqlMs = await median(theirs, SQL_RUNS);
  const plan = await client.query({
    text: `explain (analyze, format json) ${statement.text}`,
    values: statement.values,
  });
  const inServer = plan.rows[0]['QUERY PLAN'][0]['Execution Time'] as number;
  await client.end();
  const rate = (ms: number) => Math.round((sold / ms) * 1000).toLocaleString('en');
  return [
    `one store's book, ${sold} prices of ${compiled.catalogue.items.length} items, the same answers from both:`,
    `  price book        ${ourMs.toFixed(2)} ms   ${rate(ourMs)} prices/s`,
    `  one SQL statement ${sqlMs.toFixed(2)} ms   ${rate(sqlMs)} prices/s   (${inServer.toFixed(1)} ms inside the server)`,
    `  ratio             ${(sqlMs / ourMs).toFixed(1)} (${(inServer / ourMs).toFixed(1)} by the server's own time)`,
  ];
}

function compare(
  { prices, winners }: ReturnType<typeof book>,
  rows: [string, number, string | null][],
  compiled: ReturnType<typeof compile>,
): number {
  const bySku = new Map(rows.map(([sku, price, promotion]) => [sku, { price, promotion }]));
  let sold = 0;
  compiled.catalogue.items.forEach(({ sku }, index) => {
    const row = bySku.get(sku);
    const winner = compiled.changes[winners[index]!]?.promotion.id ?? null;
    if ((row?.price ?? NO_PRICE) !== prices[index] || (row && row.promotion !== winner))
      throw new Error(`${sku}: ${prices[index]} by ${winner}, and in SQL ${JSON.stringify(row)}`);
    if (row) sold++;
  });
  return sold;
}

/** The median of many runs, after as many to warm up: the server that answers questions is warm too. */
async function median(work: () => unknown, runs = RUNS): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < 2 * runs; run++) {
    const begun = performance.now();
    await work();
    if (run >= runs) times.push(performance.now() - begun);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}
