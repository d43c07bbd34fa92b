import { Gauge, Registry } from 'prom-client';
import { planVersion } from '../db/index.ts';
import { measureTerminals } from '../usecases/index.ts';
import type { App } from './app.ts';

/** What the application knows of itself and of its terminals, in the text format of Prometheus. */
export async function measureApp({ db, heavy, sending }: App, now: number): Promise<string> {
  const registry = new Registry();
  const gauge = (name: string, help: string, labelNames: string[] = []) =>
    new Gauge({ name: `belltag_${name}`, help, labelNames, registers: [registry] });
  gauge('questions_waiting', 'Questions that wait for a thread').set(heavy.load.waiting);
  gauge('questions_running', 'Questions that threads are working on').set(heavy.load.running);
  gauge('threads_warm', 'Whether every thread has had the plan once').set(heavy.warm ? 1 : 0);
  gauge('plan_version', 'The version of the plan that stands').set((await planVersion(db)) ?? 0);
  const { states, behindSeconds, heldSeconds } = await measureTerminals(sending, now);
  const terminals = gauge('terminals', 'Terminals by how they stand', ['state']);
  for (const [state, count] of Object.entries(states)) terminals.set({ state }, count);
  gauge(
    'terminals_behind_seconds',
    'How long the terminal that is behind longest has lacked what its store was sent',
  ).set(behindSeconds);
  gauge('terminals_held_seconds', 'The age of the oldest price file that a terminal holds').set(heldSeconds);
  return registry.metrics();
}
