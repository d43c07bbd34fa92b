import {
  basketCheckRepository,
  chainWordsRepository,
  connect,
  type Database,
  draftRepository,
  heldBackRepository,
  matchingRepository,
  pictureRepository,
  planRepository,
  promotionRepository,
  sendingRepository,
  stockroomRepository,
  templateRepository,
  waitingEntryRepository,
  workRulesRepository,
} from '../db/index.ts';
import type { WorkRulesStore } from '../usecases/approval.ts';
import type { BasketCheckStore } from '../usecases/basket-check-store.ts';
import type { MatchingStore } from '../usecases/bring-in.ts';
import type { ChainWordsStore } from '../usecases/chain-words.ts';
import type { DraftStore, TemplateStore } from '../usecases/draft-store.ts';
import type { HeldBackStore } from '../usecases/held-back-store.ts';
import type { PictureReader, PictureStore } from '../usecases/pictures.ts';
import type { PlanBook, PlanWriter, PromotionStore } from '../usecases/plan-store.ts';
import type { SendingStore, SigningKeys } from '../usecases/sending-store.ts';
import type { StockroomStore } from '../usecases/stockroom-store.ts';
import { type StoreComparison, storeComparison } from '../usecases/store-comparison.ts';
import type { WaitingEntryStore } from '../usecases/waiting-entry-store.ts';
import { type FileReader, readFileApart } from './files/read-file-apart.ts';
import { livePlanBook } from './live-plan-book.ts';
import { readPicture } from './read-picture.ts';
import { signingKeys } from './signing.ts';

/** What use cases stand on, the same in the server and in each of its threads. */
export interface Ports {
  readonly db: Database;
  readonly book: PlanBook;
  readonly promotions: PromotionStore;
  readonly rules: WorkRulesStore;
  readonly words: ChainWordsStore;
  readonly waiting: WaitingEntryStore;
  readonly writer: PlanWriter;
  readonly stockroom: StockroomStore;
  readonly drafts: DraftStore;
  readonly templates: TemplateStore;
  readonly matchings: MatchingStore;
  readonly sending: SendingStore;
  readonly heldBack: HeldBackStore;
  readonly compare: StoreComparison;
  readonly signer: SigningKeys;
  readonly checks: BasketCheckStore;
  readonly pictures: PictureStore;
  readonly readPicture: PictureReader;
  readonly readFile: FileReader;
}

/**
 * @param connections to the database at most.
 * @param onPlanWentBack is told when the database is found to be another than it was.
 */
export function portsOf(
  { databaseUrl, fileReader }: { databaseUrl: string; fileReader: string },
  connections: number,
  onPlanWentBack: () => void = () => {},
): Ports {
  const { db } = connect(databaseUrl, connections);
  const sending = sendingRepository(db);
  const heldBack = heldBackRepository(db);
  return {
    db,
    book: livePlanBook(db, onPlanWentBack),
    promotions: promotionRepository(db),
    rules: workRulesRepository(db),
    words: chainWordsRepository(db),
    waiting: waitingEntryRepository(db),
    writer: planRepository(db),
    stockroom: stockroomRepository(db),
    drafts: draftRepository(db),
    templates: templateRepository(db),
    matchings: matchingRepository(db),
    sending,
    heldBack,
    compare: storeComparison(sending, heldBack),
    signer: signingKeys(db),
    checks: basketCheckRepository(db),
    pictures: pictureRepository(db),
    readPicture,
    readFile: readFileApart(fileReader),
  };
}
