import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { goods } from '../demo/goods.ts';
import { seeded } from '../demo/seeded.ts';
import type { Person } from '../src/contracts/index.ts';
import type { Instant } from '../src/core/calendar/index.ts';
import { NO_HOUSE_RULES } from '../src/core/house-rules/index.ts';
import type { ItemDocument, PlanDocument } from '../src/core/plan/index.ts';
import {
  connect,
  migrate,
  planRepository,
  stockroomRepository,
  waitingEntryRepository,
} from '../src/db/index.ts';
import { readRows } from '../src/server/files/read-rows.ts';
import { livePlanBook } from '../src/server/standing/live-plan-book.ts';
import { bringIn } from '../src/usecases/index.ts';
import { freshDatabase } from './fresh-database.ts';
import { share, timesOf } from './median.ts';

const ROWS = 100_000;
const RUNS = 3;
const BY: Person = { id: 'bench', name: 'Bench', email: '', role: 'planner', costs: true, stores: null };

/** A file of 100,000 items brought in, checks and all, beside PostgreSQL's own COPY of the same rows into the same table. */
export async function benchImport(databaseUrl: string): Promise<string[]> {
  const { nodes, items } = goods(
    { items: ROWS, zones: ['z1'], stores: [], past: '2026-01-01', ahead: '2027-01-01' },
    seeded(3),
  );
  const plan = emptyPlan(nodes.map(({ kind: _, ...node }) => node));
  const url = await freshDatabase(databaseUrl, 'bench_import');
  const connection = connect(url);
  const { db, pool } = connection;
  await migrate(connection, `${process.cwd()}/src/db/migrations`);
  const bytes = new TextEncoder().encode(csvOf(items));
  const empty = () => planRepository(db).replace(plan, 'bench');
  const ours: number[] = [];
  const theirs: number[] = [];
  for (let run = 0; run <= RUNS; run++) {
    await empty();
    const [mine] = await timesOf(() => broughtIn(db, bytes), 1, 0);
    await empty();
    const [copied] = await timesOf(() => copied100k(url, items), 1, 0);
    // The first run of both warms up.
    if (run > 0) {
      ours.push(mine!);
      theirs.push(copied!);
    }
  }
  await pool.end();
  const [mine, copy] = [share(ours.sort((a, b) => a - b)), share(theirs.sort((a, b) => a - b))];
  return [
    `${ROWS.toLocaleString('en')} items out of a file of ${(bytes.length / 1e6).toFixed(1)} MB, from its bytes to the commit:`,
    `  brought in        ${(mine / 1000).toFixed(2)} s   ${Math.round(ROWS / (mine / 1000)).toLocaleString('en')} rows/s`,
    `  COPY of the rows  ${(copy / 1000).toFixed(2)} s   into the same table with its indexes, unchecked`,
    `  ratio             ${(mine / copy).toFixed(2)}`,
  ];
}

const emptyPlan = (nodes: PlanDocument['nodes']): PlanDocument => ({
  format: 'bell-tag-plan',
  version: 1,
  name: 'Bench',
  currency: 'EUR',
  nodes,
  items: [],
  stores: [{ id: 's1', name: 'Store', timeZone: 'Europe/Madrid' }],
  promotions: [],
});

async function broughtIn(db: ReturnType<typeof connect>['db'], bytes: Uint8Array): Promise<void> {
  const read = await readRows(bytes);
  if (!read.ok) throw new Error('the file cannot be read');
  const ports = {
    book: livePlanBook(db),
    stockroom: stockroomRepository(db),
    matchings: { find: async () => null, keep: async () => {} },
    rules: {
      current: async () => ({
        another: false,
        stockroom: false,
        tagsTellLowest: true,
        house: NO_HOUSE_RULES,
        secondStep: null,
      }),
      change: async () => {},
    },
    waiting: waitingEntryRepository(db),
  };
  const outcome = await bringIn(ports, BY, {
    ...read.value,
    table: 'items',
    matching: null,
    dry: false,
    now: Date.now() as Instant,
    onProgress: async () => {},
  });
  if (!outcome.ok || outcome.value.added !== ROWS)
    throw new Error(`not all came in: ${JSON.stringify(outcome).slice(0, 500)}`);
}

const quoted = (text: string): string => (/[",;\n\\]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
const attributesOf = ({ attributes = {} }: ItemDocument, between: string): string =>
  Object.entries(attributes)
    .map(([name, value]) => `${name}${between}${value}`)
    .join('; ');

function csvOf(items: readonly ItemDocument[]): string {
  const heads = 'sku,name,node,brand,gtin,cost,unit,weight,parent,tags,attributes';
  const rows = items.map((item) =>
    [
      item.sku,
      item.name,
      item.node,
      item.brand ?? '',
      item.gtin ?? '',
      item.cost ?? '',
      item.unit ?? '',
      item.weight ?? '',
      item.parent ?? '',
      (item.tags ?? []).join('; '),
      attributesOf(item, ': '),
    ]
      .map(quoted)
      .join(','),
  );
  return `${heads}\n${rows.join('\n')}\n`;
}

async function copied100k(url: string, items: readonly ItemDocument[]): Promise<void> {
  const rows = items.map((item, position) =>
    [
      item.sku,
      item.name,
      item.node,
      item.brand ?? '',
      item.gtin ?? '',
      item.cost === undefined ? '' : String(Math.round(Number(item.cost) * 100)),
      item.unit ?? 'each',
      item.weight ?? '',
      item.parent ?? '',
      `{${(item.tags ?? []).join(',')}}`,
      JSON.stringify(item.attributes ?? {}),
      String(position),
    ]
      .map(quoted)
      .join(','),
  );
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const into = client.query(
    copyFrom(
      'copy item (sku, name, node, brand, gtin, cost, unit, weight, parent, tags, attributes, position) from stdin (format csv)',
    ),
  );
  await pipeline(Readable.from(`${rows.join('\n')}\n`), into);
  await client.end();
}
