import type { TerminalReport } from '../../contracts/index.ts';
import type { SendingStore } from '../ports/index.ts';

/** Notes what a terminal says of itself. */
export function noteTerminal(
  sending: Pick<SendingStore, 'report'>,
  terminal: string,
  report: TerminalReport,
  now: Date,
): Promise<void> {
  return sending.report(terminal, {
    holds: report.holds,
    heldSince: report.heldSince,
    clockSkew: clampedSkew(Date.parse(report.clock) - now.getTime()),
    problem: report.problem,
  });
}

/** A clock that is further off is off by a hundred years as well. */
const MOST_SKEW = 100 * 365 * 86_400_000;
const clampedSkew = (skew: number): number =>
  Number.isFinite(skew) ? Math.round(Math.max(-MOST_SKEW, Math.min(MOST_SKEW, skew))) : MOST_SKEW;
