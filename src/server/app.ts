import {
  connect,
  type Database,
  draftRepository,
  matchingRepository,
  planRepository,
  promotionRepository,
  sendingRepository,
  stockroomRepository,
  templateRepository,
} from '../db/index.ts';
import type { MatchingStore } from '../usecases/bring-in.ts';
import type { DraftStore, TemplateStore } from '../usecases/draft-store.ts';
import type { PlanBook, PlanWriter, PromotionStore } from '../usecases/plan-store.ts';
import type { SendingStore, Signer } from '../usecases/sending-store.ts';
import type { StockroomStore } from '../usecases/stockroom-store.ts';
import { type StoreComparison, storeComparison } from '../usecases/store-comparison.ts';
import { type Environment, readEnvironment } from './environment.ts';
import { livePlanBook } from './live-plan-book.ts';
import { type SignIn, signInService } from './sign-in.ts';
import { priceFileSigner } from './signing.ts';

/** Everything that an endpoint may use, put together once. */
export interface App {
  readonly environment: Environment;
  readonly db: Database;
  readonly signIn: SignIn;
  readonly book: PlanBook;
  readonly promotions: PromotionStore;
  readonly writer: PlanWriter;
  readonly stockroom: StockroomStore;
  readonly drafts: DraftStore;
  readonly templates: TemplateStore;
  readonly matchings: MatchingStore;
  readonly sending: SendingStore;
  readonly compare: StoreComparison;
  readonly signer: Signer;
}

export async function createApp(environment: Environment): Promise<App> {
  const { db } = connect(environment.databaseUrl);
  const sending = sendingRepository(db);
  return {
    environment,
    db,
    signIn: signInService(db, environment),
    book: livePlanBook(db),
    promotions: promotionRepository(db),
    writer: planRepository(db),
    stockroom: stockroomRepository(db),
    drafts: draftRepository(db),
    templates: templateRepository(db),
    matchings: matchingRepository(db),
    sending,
    compare: storeComparison(sending),
    signer: await priceFileSigner(db),
  };
}

// The one place where the process keeps its own state: put together at the first request.
let running: Promise<App> | undefined;

export function app(): Promise<App> {
  running ??= createApp(readEnvironment(process.env));
  return running;
}
