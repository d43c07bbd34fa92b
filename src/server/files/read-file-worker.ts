import { parentPort, workerData } from 'node:worker_threads';
import { readRows } from './read-rows.ts';

// One file, then this thread is over.
parentPort!.postMessage(await readRows(workerData as Uint8Array));
