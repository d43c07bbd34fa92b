import {
  type Database,
  heldBackRepository,
  sendingHourRepository,
  sendingRepository,
  shopperRepository,
} from '../../src/db/index.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { signingKeys } from '../../src/server/standing/signing.ts';
import { priceFileMaker, storeComparison } from '../../src/usecases/index.ts';

/** What sending stands on, over a database. */
export function sendingPorts(db: Database, book = livePlanBook(db)) {
  const sending = sendingRepository(db);
  const heldBack = heldBackRepository(db);
  const hour = sendingHourRepository(db);
  const signer = signingKeys(db);
  return {
    book,
    sending,
    hour,
    heldBack,
    compare: storeComparison(sending, heldBack),
    signer,
    shoppers: shopperRepository(db),
    maker: priceFileMaker({ book, sending, signer }),
  };
}
