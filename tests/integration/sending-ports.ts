import { type Database, heldBackRepository, sendingRepository } from '../../src/db/index.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { signingKeys } from '../../src/server/standing/signing.ts';
import { storeComparison } from '../../src/usecases/index.ts';

/** What sending stands on, over a database. */
export function sendingPorts(db: Database, book = livePlanBook(db)) {
  const sending = sendingRepository(db);
  const heldBack = heldBackRepository(db);
  return { book, sending, heldBack, compare: storeComparison(sending, heldBack), signer: signingKeys(db) };
}
