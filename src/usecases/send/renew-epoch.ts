import type { Instant } from '../../core/calendar/index.ts';
import { epochAt } from '../../core/price-file/index.ts';
import { type AgainPorts, sendAgain } from './send-again.ts';

/**
 * Puts terminals right after a backup was played back: numbers of price files begin at a new epoch, and every store's
 * newest file goes out anew under it, so that what was lost leaves the terminals.
 * @param lost the highest number that a terminal held and that nobody here knows; null where none was seen.
 * @returns how many stores were sent theirs; null where another server did it just before.
 */
export async function renewEpoch(
  ports: AgainPorts,
  lost: number | null,
  now: Instant,
): Promise<number | null> {
  if (!(await ports.sending.renewEpoch(epochAt(now), lost, new Date(now)))) return null;
  const sent = [...(await ports.sending.newestNumbers()).keys()];
  const again = { stores: sent, whole: true, reason: 'sent after a restored backup' } as const;
  return (await sendAgain(ports, 'restore', again, now)).stores;
}
