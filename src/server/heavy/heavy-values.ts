import { lookAtItem, lookAtToday, renewEpoch, runBasketChecks } from '../../usecases/index.ts';

/** What pages ask that may take long; plain data goes in and out. */
export const HEAVY_VALUES = { lookAtItem, lookAtToday, renewEpoch, runBasketChecks } as const;

export type HeavyValue = keyof typeof HEAVY_VALUES;
type Rest<F> = F extends (ports: never, ...rest: infer R) => unknown ? R : never;
type Answer<F> = F extends (...args: never) => Promise<infer A> ? A : never;
export type ValueArgs<T extends HeavyValue> = Rest<(typeof HEAVY_VALUES)[T]>;
export type ValueAnswer<T extends HeavyValue> = Answer<(typeof HEAVY_VALUES)[T]>;
