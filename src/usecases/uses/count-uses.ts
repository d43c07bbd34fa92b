import type { HeldUses, WantedUseSaid } from '../../contracts/index.ts';
import type { TerminalName, UseStore } from '../ports/index.ts';

/** Milliseconds for which a use is kept for a basket that nobody pays or gives back. */
export const KEPT_FOR = 10 * 60_000;

interface UsePorts {
  readonly uses: UseStore;
}

/** Keeps for a basket what it would use; what is used up is told, and the till rings without it. */
export async function holdUses(
  ports: UsePorts,
  terminal: TerminalName,
  basket: string,
  uses: readonly WantedUseSaid[],
  now: number,
): Promise<HeldUses> {
  const until = new Date(now + KEPT_FOR);
  const usedUp = await ports.uses.hold({ terminal: terminal.id, basket }, uses, new Date(now), until);
  return { usedUp: Object.fromEntries(usedUp) };
}

/** A receipt was closed. What it used counts, whether it was kept for it or not: the shopper has gone with the goods. */
export async function takeUses(
  ports: UsePorts,
  terminal: TerminalName,
  basket: string,
  uses: readonly WantedUseSaid[],
  at: Date,
): Promise<void> {
  await ports.uses.take({ terminal: terminal.id, store: terminal.store, basket }, uses, at);
}

/** A basket was left standing: others may use what was kept for it. */
export async function giveBackUses(ports: UsePorts, terminal: TerminalName, basket: string): Promise<void> {
  await ports.uses.giveBack({ terminal: terminal.id, basket });
}
