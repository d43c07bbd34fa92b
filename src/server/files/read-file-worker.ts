import { parentPort, workerData } from 'node:worker_threads';
import { giveWay } from '../machine/give-way.ts';
import { readRows } from './read-rows.ts';

giveWay();
// One file, then this thread is over.
parentPort!.postMessage(await readRows(workerData as Uint8Array));
