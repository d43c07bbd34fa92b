import type { PriceFileEnvelope, TerminalReport } from '../contracts/index.ts';
import type { SendingStore } from './sending-store.ts';

/**
 * The newest price file of a terminal's store.
 * @param have the number it holds; null where it has none.
 * @returns null where there is nothing newer.
 */
export async function takePriceFile(
  sending: SendingStore,
  store: string,
  have: number | null,
): Promise<PriceFileEnvelope | null> {
  const newest = await sending.newest(store, have);
  return newest && { store, ...newest };
}

/** Notes what a terminal says of itself. */
export function noteTerminal(
  sending: SendingStore,
  terminal: string,
  report: TerminalReport,
  now: Date,
): Promise<void> {
  return sending.report(terminal, {
    holds: report.holds,
    heldSince: report.heldSince,
    clockSkew: Math.round(Date.parse(report.clock) - now.getTime()),
    problem: report.problem,
  });
}
