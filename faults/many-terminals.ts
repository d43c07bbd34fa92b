import { spawn } from 'node:child_process';
import { Agent, get } from 'node:http';
import { asker, beside, ms } from './asker.ts';
import { enrol, TERMINALS } from './enrolled.ts';

const ROUNDS = 5;

/** A thousand terminals that take a new file at once, and that find nothing new, with a search beside them. */
export async function pollByMany(origin: string, databaseUrl: string): Promise<string[]> {
  const keys = await enrol(databaseUrl);
  const viewer = await asker(origin, 'odile');
  // What is known of keys is read every two seconds.
  await pause(2_500);
  const search = '/api/items?q=sun';
  const alone = await beside(viewer, () => pause(3_000), search);
  const taking = await beside(viewer, () => pollApart(origin, keys, null), search);
  const [taken] = taking.value;
  const resting = await beside(viewer, () => pollApart(origin, keys, taken!.numbers), search);
  const times = resting.value.map(({ time }) => time).sort((a, b) => a - b);
  const each = times[Math.floor(times.length / 2)]! / TERMINALS;
  return [
    `${TERMINALS} terminals, in a process of their own on the same two cores:`,
    `  take a new file at once: ${taken!.got} of ${TERMINALS} in ${(taken!.time / 1000).toFixed(1)} s, ${(taken!.bytes / 1_000_000).toFixed(1)} MB as it goes over; a search beside it p99 ${ms(taking.p99)}, worst ${ms(taking.worst)} (alone p99 ${ms(alone.p99)})`,
    `  find nothing new: ${each.toFixed(2)} ms a poll, asker and answerer together; a search beside it p99 ${ms(resting.p99)}`,
  ];
}

const pause = (time: number) => new Promise<void>((resolve) => setTimeout(resolve, time));

interface Polled {
  readonly time: number;
  readonly got: number;
  readonly bytes: number;
  readonly numbers: readonly (number | null)[];
}

/** Polls from another process, so that what the terminals do is not taken for what the application does. */
function pollApart(
  origin: string,
  keys: readonly string[],
  have: readonly (number | null)[] | null,
): Promise<Polled[]> {
  const child = spawn(process.execPath, [process.argv[1]!, 'poll-apart'], {
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  child.stdin.end(JSON.stringify({ origin, keys, have }));
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => {
    text += chunk;
  });
  return new Promise((resolve) => child.once('exit', () => resolve(JSON.parse(text) as Polled[])));
}

/** What the other process does: one round where files are taken, several where there is nothing new. */
export async function pollHere(): Promise<void> {
  let text = '';
  for await (const chunk of process.stdin) text += chunk;
  const { origin, keys, have } = JSON.parse(text) as {
    origin: string;
    keys: string[];
    have: (number | null)[] | null;
  };
  const agent = new Agent({ keepAlive: true, maxSockets: 200 });
  const rounds: Polled[] = [];
  for (let round = 0; round < (have ? ROUNDS : 1); round++) {
    const begun = performance.now();
    const all = await Promise.all(keys.map((key, i) => poll(agent, origin, key, have?.[i] ?? null)));
    rounds.push({
      time: performance.now() - begun,
      got: all.filter(({ status }) => status === 200).length,
      bytes: all.reduce((sum, one) => sum + one.bytes, 0),
      numbers: all.map(({ number }) => number),
    });
  }
  process.stdout.write(JSON.stringify(rounds));
  agent.destroy();
}

/** Takes the bytes as they come: unpacking them is the terminals' own work. The number stands in a header. */
function poll(agent: Agent, origin: string, key: string, have: number | null) {
  const query = have === null ? '' : `?have=${have}`;
  const headers = { authorization: `Bearer ${key}`, 'accept-encoding': 'gzip' };
  return new Promise<{ status: number; bytes: number; number: number | null }>((resolve, reject) => {
    get(`${origin}/api/till/price-file${query}`, { agent, headers }, (reply) => {
      let bytes = 0;
      reply.on('data', (chunk: Buffer) => {
        bytes += chunk.length;
      });
      reply.on('end', () => {
        const number = reply.headers['x-price-file'];
        resolve({
          status: reply.statusCode ?? 0,
          bytes,
          number: number === undefined ? have : Number(number),
        });
      });
    }).on('error', reject);
  });
}
