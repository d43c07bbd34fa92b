import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { failed, type Outcome, type Person } from '../../contracts/index.ts';
import { DatabaseAway } from '../../db/index.ts';
import { NotAnswered } from '../http/not-answered.ts';
import type { Environment } from '../machine/environment.ts';
import { log } from '../machine/log.ts';
import { NoChain } from '../standing/live-plan-book.ts';
import type { Lane } from './fair-queue.ts';
import type { HeavyEndpoint } from './heavy-endpoints.ts';
import type {
  HeavyAnswer,
  HeavyQuestion,
  HeavyWorkerData,
  MadeReply,
  SentInput,
  WarmedUp,
  WentBack,
} from './heavy-messages.ts';
import { type HeavyValue, QUICK_VALUES, type ValueAnswer, type ValueArgs } from './heavy-values.ts';
import { type Job, type Thread, threadPool } from './thread-pool.ts';

/** Milliseconds that an answer may take; files of a hundred thousand lines take minutes. */
const WITHIN = 15_000;
const LONG_WITHIN = 180_000;
/** What is larger than this may take long. */
const LONG_FROM = 4_000;
/** These are a glance, and are answered whatever else is going on. */
const QUICK: ReadonlySet<string> = new Set(Object.keys(QUICK_VALUES));
const QUEUE = { inAll: 300, perPerson: 40, patience: 3_000 };
/** A thread that needs more is stopped instead of the process. */
const MOST_MEMORY_MB = 3_000;

/** These may take long whatever is sent. */
const LONG: ReadonlySet<HeavyEndpoint> = new Set([
  'change-chain',
  'replace-key',
  'send-anew',
  'standing',
  'bring-in',
  'bring-people-in',
  'people-file',
  'findings',
  'grid-file',
  'code-list',
  'loopholes',
  'print-tags',
  'sheet-lines',
  'shelves',
  'table-file',
  'write-file',
  'replace-plan',
  'whole-plan',
  'send',
  'review-sending',
]);

/** Nobody waits for these: they are worked out ahead, or stand beside what somebody is doing. */
const BESIDE: ReadonlySet<string> = new Set<HeavyEndpoint | HeavyValue>([
  'keepFindings',
  'keepLoopholes',
  'kept-loopholes',
]);

/** What is done and not asked: it goes on where whoever pressed has gone to another page. */
const ACTS: ReadonlySet<HeavyEndpoint> = new Set([
  'add-shopper',
  'answer-join',
  'bring-in',
  'bring-people-in',
  'change-chain',
  'change-rows',
  'change-shopper',
  'give-card',
  'give-terms',
  'hang-tags',
  'take-cards',
  'wipe-shopper',
  'decide-entries',
  'keep-basket-check',
  'make-codes',
  'step-codes',
  'withdraw-code',
  'keep-draft',
  'keep-picture',
  'keep-template',
  'many-promotions',
  'new-promotion',
  'promotion-status',
  'promotion-step',
  'put-entry',
  'replace-key',
  'replace-plan',
  'save-promotion',
  'send',
  'send-anew',
  'set-sending-hour',
  'standing',
  'undo-many',
]);

const laneOf = (task: HeavyEndpoint | HeavyValue, isLong: boolean): Lane => {
  if (BESIDE.has(task)) return 'beside';
  if (QUICK.has(task)) return 'quick';
  return isLong ? 'long' : 'ordinary';
};

export interface HeavyCall {
  readonly task: HeavyEndpoint;
  readonly person: Person;
  readonly sent: SentInput;
  readonly now: number;
  readonly signal?: AbortSignal;
}

/** Where questions are answered that would hold the serving thread. */
export interface HeavyDesk {
  /** @param onNews is given each line that comes ahead of the reply. */
  reply(call: HeavyCall, onNews?: (line: string) => void): Promise<Outcome<MadeReply>>;
  /** @throws what went wrong, NotAnswered among it. */
  value<T extends HeavyValue>(person: string, task: T, ...args: ValueArgs<T>): Promise<ValueAnswer<T>>;
  readonly load: { readonly waiting: number; readonly running: number };
  /** Every thread has had its plan once: nobody waits longer than anybody later. */
  readonly warm: boolean;
}

/** @param onWentBack is told when a thread finds that the database is another than it was. */
export function heavyDesk(environment: Environment, onWentBack: () => void): HeavyDesk {
  const threads = environment.threads ?? Math.max(4, Math.min(8, availableParallelism() + 2));
  let warm = 0;
  const tell = (news: WentBack | WarmedUp) => {
    if (news.kind === 'warmed-up') warm += 1;
    else onWentBack();
  };
  const pool = threadPool<HeavyQuestion, HeavyAnswer>({
    threads,
    begin: (kept) => workerThread(environment, environment.heavyWorker, kept, tell),
    queue: QUEUE,
    isLast: ({ kind }) => kind !== 'news',
    numberOf: ({ number }) => number,
    now: () => performance.now(),
  });

  async function answer(job: Job<HeavyQuestion>, onNews?: (line: string) => void): Promise<HeavyAnswer> {
    const last = await pool.run(job, (news) => news.kind === 'news' && onNews?.(news.line));
    if (last.kind !== 'failed') return last;
    if (last.away === 'chain') throw new NoChain(last.error);
    throw last.away ? new DatabaseAway(last.error) : new Error(last.error);
  }

  return {
    get load() {
      return { waiting: pool.waiting, running: pool.running };
    },
    get warm() {
      return warm >= threads;
    },
    async reply({ task, person, sent, now, signal }, onNews) {
      const size = sent.bytes?.length ?? 0;
      try {
        const made = await answer(
          {
            person: person.id,
            lane: laneOf(task, LONG.has(task) || size > LONG_FROM),
            size,
            within: LONG.has(task) || BESIDE.has(task) ? LONG_WITHIN : WITHIN,
            signal: ACTS.has(task) ? undefined : signal,
            question: (number) => ({ number, work: { kind: 'endpoint', task, person, sent, now } }),
            transfer: sent.bytes ? [sent.bytes.buffer as ArrayBuffer] : [],
          },
          onNews,
        );
        if (made.kind !== 'reply') throw new Error(`${task} answered with ${made.kind}`);
        return { ok: true, value: made.reply };
      } catch (error) {
        if (error instanceof NotAnswered && error.why !== 'nobody-waits') {
          log.warn({ task, why: error.why, person: person.email }, 'a heavy question was not answered');
          return failed({ kind: 'too-much', why: error.why });
        }
        throw error;
      }
    },
    async value(person, task, ...args) {
      const last = await answer({
        person: person || randomUUID(),
        lane: laneOf(task, person === ''),
        size: 0,
        within: person === '' ? LONG_WITHIN : WITHIN,
        question: (number) => ({ number, work: { kind: 'value', task, args } }),
      });
      if (last.kind !== 'value') throw new Error(`${task} answered with ${last.kind}`);
      return last.value as never;
    },
  };
}

function workerThread(
  { databaseUrl, secret, fileReader, priceFileMaker }: Environment,
  program: string,
  kept: boolean,
  tell: (news: WentBack | WarmedUp) => void,
): Thread<HeavyQuestion, HeavyAnswer> {
  const worker = new Worker(program, {
    workerData: { databaseUrl, secret, fileReader, priceFileMaker, kept } satisfies HeavyWorkerData,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  worker.unref();
  worker.on('error', (error) => log.error({ err: error }, 'a thread for heavy questions died'));
  return {
    post: (question, transfer) => worker.postMessage(question, [...transfer]),
    onAnswer: (listener) =>
      void worker.on('message', (answer: HeavyAnswer | WentBack | WarmedUp) =>
        answer.kind === 'went-back' || answer.kind === 'warmed-up' ? tell(answer) : listener(answer),
      ),
    onGone: (listener) => void worker.on('exit', listener),
    stop: () => void worker.terminate(),
  };
}
