import type { Instant } from '../../core/calendar/index.ts';
import { epochAt, manifestOf, type PriceFileContent } from '../../core/price-file/index.ts';
import type { PlanBook, SendingStore, SigningKeys } from '../ports/index.ts';
import { makePriceFile } from './make-price-file.ts';
import { sentContent } from './sent-content.ts';

/**
 * Puts terminals right after a backup was played back: numbers of price files begin at a new epoch, and every store's
 * newest file goes out anew under it, so that what was lost leaves the terminals.
 * @param lost the highest number that a terminal held and that nobody here knows; null where none was seen.
 * @returns how many stores were sent theirs; null where another server did it just before.
 */
export async function renewEpoch(
  ports: { book: PlanBook; sending: SendingStore; signer: SigningKeys },
  lost: number | null,
  now: Instant,
): Promise<number | null> {
  if (!(await ports.sending.renewEpoch(epochAt(now), lost, new Date(now)))) return null;
  const { version } = await ports.book.current();
  const signer = await ports.signer.newest();
  const newest = await ports.sending.newestNumbers();
  const before: PriceFileContent[] = [];
  for (const [store, number] of newest) {
    const content = await sentContent(ports.sending, store, number);
    if (content) before.push(content);
  }
  if (before.length === 0) return 0;
  await ports.sending.send('restore', version, (number) =>
    before.map(({ store, plan }) =>
      makePriceFile({ store, plan, manifest: manifestOf(plan), before: null }, number, signer, now),
    ),
  );
  return before.length;
}
