import { parentPort, workerData } from 'node:worker_threads';
import { basketCheckRepository, connect } from '../../db/index.ts';
import { HEAVY_TASKS } from '../../usecases/heavy-work.ts';
import { livePlanBook } from '../live-plan-book.ts';
import type { HeavyAnswer, HeavyQuestion } from './heavy-messages.ts';

// A thread of its own with a plan of its own, kept current by version as the server keeps its own.
const { db } = connect((workerData as { databaseUrl: string }).databaseUrl);
const ports = { book: livePlanBook(db), checks: basketCheckRepository(db) };

parentPort!.on('message', async ({ number, task, args }: HeavyQuestion) => {
  const answer = await (HEAVY_TASKS[task] as (...all: unknown[]) => Promise<unknown>)(ports, ...args).then(
    (value): HeavyAnswer => ({ number, value }),
    (error: unknown): HeavyAnswer => ({ number, error: String((error as Error).stack ?? error) }),
  );
  parentPort!.postMessage(answer);
});
