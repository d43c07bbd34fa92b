import {
  basketCheckRepository,
  beginningRepository,
  chainRepository,
  chainWordsRepository,
  codeRepository,
  connect,
  type Database,
  deskRepository,
  draftRepository,
  findingRepository,
  heldBackRepository,
  historyRepository,
  joinRepository,
  keyRepository,
  letterRepository,
  loopholeRepository,
  matchingRepository,
  peopleRepository,
  pictureRepository,
  planRepository,
  promotionRepository,
  sendingHourRepository,
  sendingRepository,
  shelfRepository,
  shopperRepository,
  stockroomRepository,
  templateRepository,
  usesRepository,
  waitingEntryRepository,
  webhookRepository,
  workRulesRepository,
} from '../../db/index.ts';
import { codeSeal } from '../../signing/index.ts';
import { priceFileMaker as makerHere } from '../../usecases/index.ts';
import type {
  BasketCheckStore,
  BeginningStore,
  ChainStore,
  ChainWordsStore,
  CodeSeal,
  CodeStore,
  DeskStore,
  DraftStore,
  FindingStore,
  HeldBackStore,
  HistoryStore,
  JoinStore,
  KeyStore,
  LetterStore,
  LoopholeStore,
  MatchingStore,
  PeopleStore,
  PictureReader,
  PictureStore,
  PlanBook,
  PlanPast,
  PlanWriter,
  PriceFileMaker,
  PromotionStore,
  SendingHourStore,
  SendingStore,
  ShelfStore,
  ShopperStore,
  SigningKeys,
  StockroomStore,
  TemplateStore,
  UseStore,
  WaitingEntryStore,
  WebhookStore,
  WorkRulesStore,
} from '../../usecases/ports/index.ts';
import { type StoreComparison, storeComparison } from '../../usecases/send/store-comparison.ts';
import { priceFilesApart } from '../files/price-files-apart.ts';
import { type FileReader, readFileApart } from '../files/read-file-apart.ts';
import { livePlanBook } from './live-plan-book.ts';
import { planPast } from './plan-past.ts';
import { readPicture } from './read-picture.ts';
import { signingKeys } from './signing.ts';

/** What use cases stand on, the same in the server and in each of its threads. */
export interface Ports {
  readonly db: Database;
  readonly book: PlanBook;
  readonly past: PlanPast;
  readonly promotions: PromotionStore;
  readonly rules: WorkRulesStore;
  readonly chain: ChainStore;
  readonly words: ChainWordsStore;
  readonly waiting: WaitingEntryStore;
  readonly writer: PlanWriter;
  readonly stockroom: StockroomStore;
  readonly desks: DeskStore;
  readonly drafts: DraftStore;
  readonly templates: TemplateStore;
  readonly matchings: MatchingStore;
  readonly sending: SendingStore;
  readonly uses: UseStore;
  readonly codes: CodeStore;
  readonly codeSeal: CodeSeal;
  readonly hour: SendingHourStore;
  readonly heldBack: HeldBackStore;
  readonly history: HistoryStore;
  readonly compare: StoreComparison;
  readonly signer: SigningKeys;
  readonly maker: PriceFileMaker;
  readonly checks: BasketCheckStore;
  readonly findings: FindingStore;
  readonly loopholes: LoopholeStore;
  readonly people: PeopleStore;
  readonly keys: KeyStore;
  readonly webhooks: WebhookStore;
  readonly beginning: BeginningStore;
  readonly letters: LetterStore;
  readonly shelf: ShelfStore;
  readonly shoppers: ShopperStore;
  readonly joins: JoinStore;
  readonly pictures: PictureStore;
  readonly readPicture: PictureReader;
  readonly readFile: FileReader;
}

export interface Programs {
  readonly databaseUrl: string;
  /** Of the installation: codes are known by it. */
  readonly secret: string;
  /** Of threads that read a file, and that make price files. */
  readonly fileReader: string;
  readonly priceFileMaker: string;
}

/**
 * @param connections to the database at most.
 * @param onPlanWentBack is told when the database is found to be another than it was.
 */
export function portsOf(
  { databaseUrl, secret, fileReader, priceFileMaker }: Programs,
  connections: number,
  onPlanWentBack: () => void = () => {},
): Ports {
  const { db } = connect(databaseUrl, connections);
  const sending = sendingRepository(db);
  const heldBack = heldBackRepository(db);
  const [book, signer] = [livePlanBook(db, onPlanWentBack), signingKeys(db)];
  return {
    db,
    book,
    past: planPast(db),
    promotions: promotionRepository(db),
    rules: workRulesRepository(db),
    chain: chainRepository(db),
    words: chainWordsRepository(db),
    waiting: waitingEntryRepository(db),
    writer: planRepository(db),
    stockroom: stockroomRepository(db),
    desks: deskRepository(db),
    drafts: draftRepository(db),
    templates: templateRepository(db),
    matchings: matchingRepository(db),
    sending,
    uses: usesRepository(db),
    codes: codeRepository(db),
    codeSeal: codeSeal(secret),
    hour: sendingHourRepository(db),
    heldBack,
    history: historyRepository(db),
    compare: storeComparison(sending, heldBack),
    signer,
    maker: priceFilesApart({ program: priceFileMaker, databaseUrl }, makerHere({ book, sending, signer })),
    checks: basketCheckRepository(db),
    findings: findingRepository(db),
    loopholes: loopholeRepository(db),
    people: peopleRepository(db),
    keys: keyRepository(db),
    webhooks: webhookRepository(db),
    beginning: beginningRepository(db),
    letters: letterRepository(db),
    shelf: shelfRepository(db),
    shoppers: shopperRepository(db),
    joins: joinRepository(db),
    pictures: pictureRepository(db),
    readPicture,
    readFile: readFileApart(fileReader),
  };
}
