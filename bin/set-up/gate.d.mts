/** A gate on the way to a database; see gate.mjs. */
export function startGate(
  url: string,
  wantedPort: number,
): Promise<{
  readonly url: string;
  set(state: 'open' | 'shut' | 'silent'): Promise<void>;
  stop(): Promise<void>;
}>;
