import { connect, sendingRepository } from '../../db/index.ts';
import type { PlanBook, SendingStore, SigningKeys } from '../../usecases/ports/index.ts';
import { livePlanBook } from './live-plan-book.ts';
import { signingKeys } from './signing.ts';

/** What a thread stands on that makes price files and nothing else. */
export function makerPorts(databaseUrl: string): {
  book: PlanBook;
  sending: SendingStore;
  signer: SigningKeys;
} {
  const { db } = connect(databaseUrl, 1);
  return { book: livePlanBook(db), sending: sendingRepository(db), signer: signingKeys(db) };
}
