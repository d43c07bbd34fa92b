import { parentPort, workerData } from 'node:worker_threads';
import type { Instant } from '../../core/calendar/index.ts';
import { isDatabaseAway } from '../../db/index.ts';
import { guardedReply } from '../http/guarded.ts';
import { failureReply } from '../http/reply.ts';
import { now } from '../machine/clock.ts';
import { giveWay } from '../machine/give-way.ts';
import { NoChain } from '../standing/live-plan-book.ts';
import { portsOf } from '../standing/ports.ts';
import { readSent } from './heavy-endpoint-work.ts';
import { HEAVY_ENDPOINTS } from './heavy-endpoints.ts';
import type {
  HeavyAnswer,
  HeavyQuestion,
  HeavyWork,
  HeavyWorkerData,
  MadeReply,
  WarmedUp,
  WentBack,
} from './heavy-messages.ts';
import { HEAVY_VALUES } from './heavy-values.ts';
import { warmUp } from './warm-up.ts';

/** One question at a time: there is little to share. */
const CONNECTIONS = 2;

// A thread of its own with a plan of its own, kept current by version as the server keeps its own.
const data = workerData as HeavyWorkerData;
const ports = portsOf(data, CONNECTIONS, () =>
  parentPort!.postMessage({ kind: 'went-back' } satisfies WentBack),
);
// What is quick is waited for by somebody who looks at a page.
if (!data.kept) giveWay();
warmUp(ports, now())
  .catch(() => {})
  .then(() => parentPort!.postMessage({ kind: 'warmed-up' } satisfies WarmedUp));
const post = (answer: HeavyAnswer, transfer: ArrayBuffer[] = []) => parentPort!.postMessage(answer, transfer);

parentPort!.on('message', async ({ number, work }: HeavyQuestion) => {
  try {
    if (work.kind === 'value') {
      const task = HEAVY_VALUES[work.task] as (...all: unknown[]) => Promise<unknown>;
      return post({ number, kind: 'value', value: await task(ports, ...work.args) });
    }
    const reply = await made(await replyTo(work, (line) => post({ number, kind: 'news', line })));
    post({ number, kind: 'reply', reply }, [reply.body.buffer as ArrayBuffer]);
  } catch (error) {
    post({
      number,
      kind: 'failed',
      error: String((error as Error).stack ?? error),
      away: error instanceof NoChain ? 'chain' : isDatabaseAway(error) ? 'database' : null,
    });
  }
});

function replyTo(
  { task, person, sent, now }: Extract<HeavyWork, { kind: 'endpoint' }>,
  tell: (line: string) => void,
): Promise<Response> {
  return guardedReply(task, async () => {
    const endpoint = HEAVY_ENDPOINTS[task];
    const input = readSent(endpoint, sent);
    if (!input.ok) return failureReply(input.failure);
    return endpoint.work({
      app: ports,
      person,
      input: input.value,
      params: sent.params,
      query: sent.query,
      bytes: sent.bytes ?? new Uint8Array(),
      type: sent.type,
      ifMatch: sent.ifMatch,
      now: now as Instant,
      tell,
    });
  });
}

async function made(reply: Response): Promise<MadeReply> {
  return {
    status: reply.status,
    headers: [...reply.headers],
    body: new Uint8Array(await reply.arrayBuffer()),
  };
}
