import { keepBasketCheck, runBasketChecks } from './basket-checks.ts';
import { previewDeal } from './preview-deal.ts';
import { ringTrialBasket } from './ring-trial-basket.ts';

/**
 * Questions whose answer may take a second of computing: they are answered beside the server, which goes on answering
 * others. What goes in and out is plain data.
 */
export const HEAVY_TASKS = { keepBasketCheck, previewDeal, ringTrialBasket, runBasketChecks } as const;

export type HeavyTask = keyof typeof HEAVY_TASKS;
type Rest<F> = F extends (ports: never, ...rest: infer R) => unknown ? R : never;
type Answer<F> = F extends (...args: never) => Promise<infer A> ? A : never;

/** Port: where such questions are answered. */
export interface HeavyWork {
  run<T extends HeavyTask>(
    task: T,
    ...args: Rest<(typeof HEAVY_TASKS)[T]>
  ): Promise<Answer<(typeof HEAVY_TASKS)[T]>>;
}
