/** How the gate before the database stands; see `bin/set-up/gate.mjs`. */
export type GateState = 'open' | 'shut' | 'silent';

/** Has the process that began this one set the gate, and waits until it has. */
export async function setGate(state: GateState): Promise<void> {
  const done = new Promise<void>((resolve) => process.once('message', () => resolve()));
  process.send!(state);
  await done;
}
