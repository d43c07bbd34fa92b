import type { TerminalRow } from '../../contracts/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';
import type { TerminalStatus } from '../ports/index.ts';
import { troubleOf } from './terminal-trouble.ts';

/** A terminal with its store's name and what is wrong with it. */
export function terminalRow(
  { stores }: Pick<CompiledPlan, 'stores'>,
  status: TerminalStatus,
  now: number,
): TerminalRow {
  const store = stores.get(status.store);
  return {
    ...status,
    storeName: store?.name ?? status.store,
    timeZone: store?.timeZone ?? 'UTC',
    trouble: troubleOf(status, now),
  };
}
