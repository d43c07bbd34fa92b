import { Worker } from 'node:worker_threads';
import { invalid, type Outcome } from '../../contracts/index.ts';
import type { FileRows } from './read-rows.ts';

/** Reads a file of any kind into rows; what cannot be read is refused. */
export type FileReader = (bytes: Uint8Array) => Promise<Outcome<FileRows>>;

/** A file that takes longer, or more memory, is none that a person made. */
const WITHIN = 60_000;
const MOST_MEMORY_MB = 1_500;

/** Reads each file in a thread of its own, which goes with the file: nothing in it can hold or end anything else. */
export const readFileApart =
  (program: string): FileReader =>
  (bytes) =>
    new Promise((resolve) => {
      const worker = new Worker(program, {
        workerData: bytes,
        resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
      });
      const end = (outcome: Outcome<FileRows>) => {
        clearTimeout(timer);
        resolve(outcome);
        void worker.terminate();
      };
      const tooMuch = (what: string) => end(invalid([], what, 'a smaller file, or several'));
      const timer = setTimeout(() => tooMuch('the file takes too long to read'), WITHIN);
      worker.once('message', end);
      worker.once('error', () => tooMuch('the file takes more memory than there is'));
      worker.once('exit', () => tooMuch('the file could not be read to its end'));
    });
