export * from './assign.ts';
export * from './automaton.ts';
export type { Taken } from './beam.ts';
export * from './contender.ts';
export { type ForcedRun, forcedRun } from './forced-run.ts';
export * from './unit.ts';
export { mostGain } from './unroll.ts';
