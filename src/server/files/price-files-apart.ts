import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { DatabaseAway } from '../../db/index.ts';
import { PlanMovedOn } from '../../usecases/index.ts';
import type { PackedPriceFile, PriceFileMaker, PriceFileOrder } from '../../usecases/ports/index.ts';

/** What a thread is told when it begins; after that, each message asks for some more. */
export interface MakerData {
  readonly databaseUrl: string;
  readonly order: PriceFileOrder;
}

export type Made =
  | { readonly kind: 'files'; readonly files: readonly PackedPriceFile[] }
  | { readonly kind: 'done' }
  | { readonly kind: 'failed'; readonly why: 'moved-on' | 'away' | 'other'; readonly error: string };

/** A thread that reads the plan for itself is worth it from so many stores on. */
const WORTH_A_THREAD = 60;
const MOST_MEMORY_MB = 3_000;

/**
 * Makes the files of many stores in threads side by side, a part of the stores each; those of a few where it is asked.
 * What is made waits until it is taken: a few files of each thread are held at any time.
 */
export const priceFilesApart = (
  { program, databaseUrl }: { readonly program: string; readonly databaseUrl: string },
  here: PriceFileMaker,
  cores: number = availableParallelism(),
): PriceFileMaker => ({
  async *make(order) {
    const threads = Math.min(cores, Math.floor(order.stores.length / WORTH_A_THREAD));
    if (threads < 2) return yield* here.make(order);
    const workers = partsOf(order.stores, threads).map(
      (stores) =>
        new Worker(program, {
          workerData: { databaseUrl, order: { ...order, stores } } satisfies MakerData,
          resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
        }),
    );
    try {
      yield* merged(workers.map(filesOf));
    } finally {
      for (const worker of workers) void worker.terminate();
    }
  },
});

/** Neighbours in the plan share their goods more often than not. */
function partsOf(stores: readonly string[], parts: number): string[][] {
  const size = Math.ceil(stores.length / parts);
  return Array.from({ length: parts }, (_, part) => stores.slice(part * size, (part + 1) * size));
}

async function* filesOf(worker: Worker): AsyncGenerator<readonly PackedPriceFile[]> {
  for (;;) {
    const made = await answerOf(worker);
    if (made.kind === 'done') return;
    if (made.kind === 'files') yield made.files;
    else if (made.why === 'moved-on') throw new PlanMovedOn(made.error);
    else throw made.why === 'away' ? new DatabaseAway(made.error) : new Error(made.error);
  }
}

function answerOf(worker: Worker): Promise<Made> {
  return new Promise((resolve, reject) => {
    const died = () => end(() => reject(new Error('a thread that makes price files died')));
    const failed = (error: Error) => end(() => reject(error));
    const answered = (made: Made) => end(() => resolve(made));
    const end = (settle: () => void) => {
      worker.off('message', answered).off('error', failed).off('exit', died);
      settle();
    };
    worker.on('message', answered).on('error', failed).on('exit', died);
    worker.postMessage('more');
  });
}

/** What any of them has next, as it comes. */
async function* merged<T>(all: readonly AsyncGenerator<T>[]): AsyncGenerator<T> {
  const next = (from: AsyncGenerator<T>) => from.next().then((result) => ({ from, result }));
  const open = new Map(all.map((from) => [from, next(from)]));
  while (open.size > 0) {
    const { from, result } = await Promise.race(open.values());
    if (result.done) {
      open.delete(from);
      continue;
    }
    open.set(from, next(from));
    yield result.value;
  }
}
