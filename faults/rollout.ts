import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { Agent, request } from 'node:http';
import { gunzipSync } from 'node:zlib';
import { type Asker, asker, beside, ms } from './asker.ts';
import { enrol, TERMINALS } from './enrolled.ts';
import { memoryOf, type Processes } from './processes.ts';

/** Each asks so often. */
const EVERY = 5_000;
const GIVES_UP = 300_000;

/** A thousand terminals that go on polling while a change of every price goes out to all of them. */
export async function rollOut(origin: string, databaseUrl: string, running: Processes): Promise<string[]> {
  const keys = await enrol(databaseUrl, 'roll');
  const [ines, rufus, odile] = await Promise.all(
    ['ines', 'rufus', 'odile'].map((name) => asker(origin, name)),
  );
  const lines = await changeEveryPrice(ines!, rufus!);
  const child = spawn(process.execPath, [process.argv[1]!, 'roll-apart'], {
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  child.stdin.write(`${JSON.stringify({ origin, keys })}\n`);
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => {
    text += chunk;
  });
  const over = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  // All of them hold what was sent before.
  await new Promise((resolve) => setTimeout(resolve, 4 * EVERY));
  const { planVersion } = JSON.parse((await rufus!.ask('/api/send/review')).text);
  const search = await beside(
    odile!,
    async () => {
      const sent = await rufus!.send('POST', '/api/send', { planVersion });
      const { rollout } = JSON.parse(sent.text);
      child.stdin.write(`${rollout}\n`);
      await over;
      return sent.took;
    },
    '/api/items?q=sun',
  );
  const { time, requests, bytes, confirmed } = JSON.parse(text) as Rolled;
  return [
    `${TERMINALS} terminals that ask every ${EVERY / 1000} s, and a change of ${lines} lines to all stores:`,
    `  making and signing the files took ${(search.value / 1000).toFixed(1)} s; then ${confirmed} of ${TERMINALS} had taken and confirmed theirs within ${(time / 1000).toFixed(1)} s, ${Math.round(requests / (time / 1000))} requests a second, ${(bytes / 1_000_000).toFixed(0)} MB as it goes over`,
    `  a search beside all of it p99 ${ms(search.p99)}, worst ${ms(search.worst)}; the application held ${memoryOf(await running.application()).most.toFixed(0)} MB at most`,
  ];
}

/** A promotion with a price of its own for every item, approved. */
async function changeEveryPrice(ines: Asker, rufus: Asker): Promise<number> {
  const plan = JSON.parse((await ines.ask('/api/plan')).text) as {
    items: { sku: string; prices: { price: string }[] }[];
  };
  const priced = plan.items.filter(({ prices }) => prices.length > 0);
  const linePrices = Object.fromEntries(
    priced.map(({ sku, prices }) => [sku, (Number(prices[0]!.price) * 0.9).toFixed(2)]),
  );
  const promotion = {
    ...{ id: 'every-price', name: 'Every price', status: 'draft', priority: 1 },
    when: { from: '2026-12-01T00:00', to: '2027-12-01T00:00' },
    offer: { kind: 'priceChange', items: { items: Object.keys(linePrices) }, linePrices },
  };
  const path = '/api/promotions/every-price';
  const steps = [
    await ines.send('POST', '/api/promotions', { promotion }),
    await ines.send('POST', `${path}/step`, { step: 'submit', revision: 1 }),
    await rufus.send('POST', `${path}/step`, { step: 'approve', revision: 2 }),
  ];
  const refused = steps.find(({ status }) => status >= 400);
  if (refused) throw new Error(`the change was refused: ${refused.text.slice(0, 300)}`);
  return priced.length;
}

interface Rolled {
  readonly time: number;
  readonly requests: number;
  readonly bytes: number;
  readonly confirmed: number;
}

/** The SHA-256 of the text in a whole envelope; null of a difference. */
function digestOf(packed: Buffer, known: Map<string, string>): string | null {
  const name = createHash('sha256').update(packed).digest('hex');
  const found = known.get(name);
  if (found !== undefined) return found;
  const { content } = JSON.parse(gunzipSync(packed).toString('utf8')) as { content?: string };
  if (content === undefined) return null;
  const digest = createHash('sha256').update(content).digest('hex');
  known.set(name, digest);
  return digest;
}

/** What the other process does: polls as terminals do, takes differences, and confirms what it took. */
export async function rollHere(): Promise<void> {
  const lines = process.stdin.setEncoding('utf8')[Symbol.asyncIterator]() as AsyncIterator<string>;
  let text = '';
  while (!text.includes('\n')) text += (await lines.next()).value;
  const { origin, keys } = JSON.parse(text.slice(0, text.indexOf('\n'))) as {
    origin: string;
    keys: string[];
  };
  const agent = new Agent({ keepAlive: true, maxSockets: 200 });
  const held = keys.map(() => 0);
  // Terminals of one store have one and the same file: it is unpacked once.
  const digests = new Map<string, string>();
  const sha = keys.map(() => '');
  const counted = { requests: 0, bytes: 0 };
  let over = false;
  const live = keys.map(async (key, i) => {
    await rest((i / keys.length) * EVERY);
    while (!over) {
      const known = held[i] === 0 ? '' : `?have=${held[i]}${sha[i] ? `&sha256=${sha[i]}` : ''}`;
      const taken = await asked(agent, `${origin}/api/till/price-file${known}`, key, counted);
      if (taken.number > (held[i] ?? 0)) {
        const state = {
          holds: taken.number,
          heldSince: new Date().toISOString(),
          clock: new Date().toISOString(),
          problem: null,
        };
        const told = await asked(agent, `${origin}/api/till/state`, key, counted, JSON.stringify(state));
        if (told.status !== 200) continue;
        held[i] = taken.number;
        sha[i] = digestOf(taken.packed, digests) ?? '';
      }
      await rest(EVERY * (0.8 + 0.4 * Math.random()));
    }
  });
  const wanted = Number((await lines.next()).value);
  const begun = performance.now();
  const before = { ...counted };
  while (held.some((number) => number < wanted) && performance.now() - begun < GIVES_UP) await rest(50);
  const time = performance.now() - begun;
  over = true;
  const rolled: Rolled = {
    time,
    requests: counted.requests - before.requests,
    bytes: counted.bytes - before.bytes,
    confirmed: held.filter((number) => number >= wanted).length,
  };
  process.stdout.write(JSON.stringify(rolled), () => process.exit());
  await Promise.all(live);
}

const rest = (time: number) => new Promise<void>((resolve) => setTimeout(resolve, time));

function asked(
  agent: Agent,
  url: string,
  key: string,
  counted: { requests: number; bytes: number },
  body?: string,
) {
  const headers = {
    authorization: `Bearer ${key}`,
    'accept-encoding': 'gzip',
    'content-type': 'application/json',
  };
  counted.requests += 1;
  return new Promise<{ status: number; number: number; packed: Buffer }>((resolve) => {
    const asking = request(url, { agent, headers, method: body === undefined ? 'GET' : 'POST' }, (reply) => {
      const chunks: Buffer[] = [];
      reply.on('data', (chunk: Buffer) => {
        chunks.push(chunk);
        counted.bytes += chunk.length;
      });
      reply.on('end', () =>
        resolve({
          ...{ status: reply.statusCode ?? 0, number: Number(reply.headers['x-price-file'] ?? 0) },
          packed: Buffer.concat(chunks),
        }),
      );
    });
    asking.on('error', () => resolve({ status: 0, number: 0, packed: Buffer.alloc(0) }));
    asking.end(body);
  });
}
