import type { TerminalTrouble } from '../../contracts/index.ts';
import type { TerminalStatus } from '../ports/index.ts';

/** A terminal asks every few seconds; after this long it counts as silent. */
const SILENT_AFTER = 60_000;
/** A switch at nine must not come at five past. */
const CLOCK_OFF_BY = 30_000;

/** What is wrong with a terminal, worst first; null where it holds what its store was sent. */
export function troubleOf(status: TerminalStatus, now: number): TerminalTrouble | null {
  if (!status.hasKey) return 'no-key';
  if (status.lastSeen === null) return 'never-seen';
  if (now - Date.parse(status.lastSeen) > SILENT_AFTER) return 'silent';
  if (status.problem !== null) return 'refused';
  if (Math.abs(status.clockSkew ?? 0) > CLOCK_OFF_BY) return 'wrong-clock';
  return status.wanted !== null && status.holds !== status.wanted ? 'behind' : null;
}
