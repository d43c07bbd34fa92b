import { Worker } from 'node:worker_threads';
import type { HeavyWork } from '../../usecases/heavy-work.ts';
import type { Environment } from '../environment.ts';
import { log } from '../log.ts';
import type { HeavyAnswer, HeavyQuestion } from './heavy-messages.ts';

interface Waiting {
  readonly resolve: (value: unknown) => void;
  readonly reject: (error: Error) => void;
}

/** Answers heavy questions in a thread beside the server. It begins with the first one, and anew where it has died. */
export function heavyWork({ databaseUrl, heavyWorker }: Environment): HeavyWork {
  const waiting = new Map<number, Waiting>();
  let number = 0;
  let thread: Worker | null = null;

  function begin(): Worker {
    const worker = new Worker(heavyWorker, { workerData: { databaseUrl } });
    worker.unref();
    worker.on('message', (answer: HeavyAnswer) => {
      const asked = waiting.get(answer.number);
      waiting.delete(answer.number);
      if ('error' in answer) asked?.reject(new Error(answer.error));
      else asked?.resolve(answer.value);
    });
    worker.on('error', (error) => log.error({ err: error }, 'the thread for heavy questions died'));
    worker.on('exit', () => {
      thread = null;
      for (const asked of waiting.values()) asked.reject(new Error('the thread for heavy questions died'));
      waiting.clear();
    });
    return worker;
  }

  return {
    run: (task, ...args) =>
      new Promise((resolve, reject) => {
        thread ??= begin();
        number += 1;
        waiting.set(number, { resolve: resolve as (value: unknown) => void, reject });
        const question: HeavyQuestion = { number, task, args };
        thread.postMessage(question);
      }),
  };
}
