import { parentPort, workerData } from 'node:worker_threads';
import { isDatabaseAway } from '../../db/index.ts';
import { PlanMovedOn, priceFileMaker } from '../../usecases/index.ts';
import type { Made, MakerData } from '../files/price-files-apart.ts';
import { giveWay } from '../machine/give-way.ts';
import { makerPorts } from '../standing/maker-ports.ts';

// Makes a part of the files of one sending, a few whenever it is asked for more. Pages come first.
giveWay();
const { databaseUrl, order } = workerData as MakerData;
const files = priceFileMaker(makerPorts(databaseUrl)).make(order)[Symbol.asyncIterator]();

parentPort!.on('message', async () => {
  parentPort!.postMessage(await next());
});

async function next(): Promise<Made> {
  try {
    const { done, value } = await files.next();
    return done ? { kind: 'done' } : { kind: 'files', files: value };
  } catch (error) {
    const why = error instanceof PlanMovedOn ? 'moved-on' : isDatabaseAway(error) ? 'away' : 'other';
    return { kind: 'failed', why, error: String((error as Error).stack ?? error) };
  }
}
