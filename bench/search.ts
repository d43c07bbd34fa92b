import { chain } from '../demo/chain.ts';
import { share, timesOf } from './median.ts';
import { emailOfBench, signedIn } from './signed-in.ts';

const ITEMS = 50_000;
const ASKED = [
  'su',
  'sun m',
  'shampoo 400',
  'Q1234',
  '20000000',
  'night cream lav',
  'quillmere',
  'zzz nothing',
  'tooth',
];

/** The first answer of the item search as one types, over HTTP on loopback, and a page of the stockroom's table. */
export async function benchSearch(origin: string): Promise<string[]> {
  const administrator = await signedIn(origin, emailOfBench('basil'));
  const size = { stores: 12, zones: 4, terminals: 12, items: ITEMS, priceChanges: 60 };
  const plan = chain(size, new Date().toISOString().slice(0, 10));
  const put = await fetch(`${origin}/api/plan`, {
    method: 'PUT',
    headers: { ...administrator, 'content-type': 'application/json' },
    body: JSON.stringify(plan),
  });
  if (!put.ok) throw new Error(`the chain was refused: ${(await put.text()).slice(0, 300)}`);
  const ask = async (path: string) => {
    const reply = await fetch(origin + path, { headers: administrator });
    if (!reply.ok) throw new Error(`${path}: ${reply.status}`);
    await reply.text();
  };
  const typed = await timesOf(
    (run) => ask(`/api/items?q=${encodeURIComponent(ASKED[run % ASKED.length]!)}`),
    180,
    40,
  );
  const scrolled = await timesOf(
    (run) => ask(`/api/stockroom/items?limit=100&offset=${(run * 4300) % ITEMS}`),
    60,
    10,
  );
  const words = (times: readonly number[]) =>
    `median ${share(times).toFixed(1)} ms, p95 ${share(times, 0.95).toFixed(1)} ms`;
  return [
    `${ITEMS.toLocaleString('en')} items, over HTTP on loopback:`,
    `  search as typed   ${words(typed)}`,
    `  a stretch of rows ${words(scrolled)}   (100 rows with the price at a store)`,
  ];
}
