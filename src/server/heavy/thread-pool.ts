import { NotAnswered, type Unanswered } from '../http/not-answered.ts';
import { type FairQueue, fairQueue, type Lane, type QueueLimits, type Waiting } from './fair-queue.ts';

/** A thread as the pool needs it; the real one is a worker thread. */
export interface Thread<Q, A> {
  post(question: Q, transfer: readonly ArrayBuffer[]): void;
  onAnswer(listener: (answer: A) => void): void;
  /** Called once, when it has died by itself or was stopped. */
  onGone(listener: () => void): void;
  stop(): void;
}

export interface Job<Q> {
  readonly person: string;
  readonly lane: Lane;
  readonly size: number;
  readonly question: (number: number) => Q;
  readonly transfer?: readonly ArrayBuffer[];
  /** Milliseconds that it may take once it has begun. */
  readonly within: number;
  /** Fires when nobody waits for the answer any more. */
  readonly signal?: AbortSignal;
}

export interface PoolOptions<Q, A> {
  readonly threads: number;
  /** @param kept whether it is the thread that is kept for what is quick. */
  readonly begin: (kept: boolean) => Thread<Q, A>;
  readonly queue: QueueLimits;
  /** Whether an answer is the last one of its question. */
  readonly isLast: (answer: A) => boolean;
  readonly numberOf: (answer: A) => number;
  readonly now: () => number;
}

export interface ThreadPool<Q, A> {
  /** @throws NotAnswered */
  run(job: Job<Q>, onNews?: (answer: A) => void): Promise<A>;
  readonly waiting: number;
  readonly running: number;
}

/** What nobody waits for may go on for so long; to stop a thread costs the next question its beginning. */
const FINISH_WITHIN = 1_000;

interface Entry<Q, A> extends Waiting {
  readonly job: Job<Q>;
  readonly resolve: (answer: A) => void;
  readonly reject: (error: Error) => void;
  readonly onNews: ((answer: A) => void) | undefined;
  over: boolean;
}

interface Slot<Q, A> {
  thread: Thread<Q, A> | null;
  entry: Entry<Q, A> | null;
  number: number;
  timer: NodeJS.Timeout | undefined;
  whyStopped: Unanswered;
}

/**
 * Threads that answer questions, one each at a time, all begun at once: the first question waits for none of them. The
 * first thread is kept for what is quick, and one of the others for what does not take long; nobody's questions take all
 * of those, and what is worked out beside leaves room for what somebody waits for. A question that takes too long is
 * stopped with its thread, and another one begins.
 */
export function threadPool<Q, A>(options: PoolOptions<Q, A>): ThreadPool<Q, A> {
  const slots = Array.from(
    { length: options.threads },
    (): Slot<Q, A> => ({ thread: null, entry: null, number: 0, timer: undefined, whyStopped: 'died' }),
  );
  const queue: FairQueue<Entry<Q, A>> = fairQueue(options.queue);
  let number = 0;

  const busy = () => slots.flatMap(({ entry }) => (entry ? [entry] : []));

  /** How many threads there are for what is not quick, of which one is kept from what is long. */
  const workers = Math.max(1, options.threads - 1);

  function mayBegin(entry: Entry<Q, A>, isFirst: boolean): boolean {
    if (entry.lane === 'quick') return true;
    if (isFirst && options.threads > 1) return false;
    const working = busy().filter(({ lane }) => lane !== 'quick');
    const own = working.filter(({ person }) => person === entry.person);
    if (own.length >= Math.max(1, workers - 1)) return false;
    if (entry.lane === 'ordinary') return true;
    const slow = working.filter(({ lane }) => lane !== 'ordinary');
    const alike = slow.filter(({ lane }) => lane === entry.lane);
    const most = entry.lane === 'beside' ? workers - 2 : workers - 1;
    return (
      slow.length < Math.max(1, workers - 1) &&
      alike.length < Math.max(1, most) &&
      !alike.some(({ person }) => person === entry.person)
    );
  }

  function next(): void {
    for (const slot of slots) {
      if (slot.entry) continue;
      const entry = queue.take((one) => mayBegin(one, slot === slots[0]), options.now());
      if (entry) begin(slot, entry);
    }
  }

  function begin(slot: Slot<Q, A>, entry: Entry<Q, A>): void {
    slot.thread ??= threadFor(slot);
    number += 1;
    slot.entry = entry;
    slot.number = number;
    slot.timer = setTimeout(() => stop(slot, 'took-too-long'), entry.job.within);
    slot.thread.post(entry.job.question(number), entry.job.transfer ?? []);
  }

  function threadFor(slot: Slot<Q, A>): Thread<Q, A> {
    const thread = options.begin(slot === slots[0] && options.threads > 1);
    thread.onAnswer((answer) => {
      const { entry } = slot;
      if (slot.thread !== thread || !entry || options.numberOf(answer) !== slot.number) return;
      if (!options.isLast(answer)) return entry.onNews?.(answer);
      free(slot);
      settle(entry, () => entry.resolve(answer));
      next();
    });
    thread.onGone(() => {
      if (slot.thread !== thread) return;
      const { entry, whyStopped } = slot;
      slot.whyStopped = 'died';
      free(slot);
      slot.thread = null;
      if (entry) {
        settle(entry, () => entry.reject(new NotAnswered(whyStopped)));
        slot.thread = threadFor(slot);
      }
      next();
    });
    return thread;
  }

  function stop(slot: Slot<Q, A>, why: Unanswered): void {
    slot.whyStopped = why;
    slot.thread?.stop();
  }

  function free(slot: Slot<Q, A>): void {
    clearTimeout(slot.timer);
    slot.entry = null;
  }

  function settle(entry: Entry<Q, A>, how: () => void): void {
    if (entry.over) return;
    entry.over = true;
    how();
  }

  function forget(entry: Entry<Q, A>): void {
    settle(entry, () => entry.reject(new NotAnswered('nobody-waits')));
    queue.remove(entry);
    const slot = slots.find((one) => one.entry === entry);
    if (!slot) return;
    clearTimeout(slot.timer);
    slot.timer = setTimeout(() => stop(slot, 'nobody-waits'), FINISH_WITHIN);
  }

  for (const slot of slots) slot.thread = threadFor(slot);

  return {
    get waiting() {
      return queue.length;
    },
    get running() {
      return busy().length;
    },
    run: (job, onNews) =>
      new Promise((resolve, reject) => {
        const { person, lane, size, signal } = job;
        const entry: Entry<Q, A> = {
          ...{ person, lane, size, since: options.now() },
          ...{ job, resolve, reject, onNews, over: false },
        };
        if (signal?.aborted) return reject(new NotAnswered('nobody-waits'));
        const refused = queue.add(entry);
        if (refused) return reject(new NotAnswered(refused));
        signal?.addEventListener('abort', () => forget(entry), { once: true });
        next();
      }),
  };
}
