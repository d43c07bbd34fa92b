import {
  basketCheckRepository,
  connect,
  type Database,
  draftRepository,
  matchingRepository,
  pictureRepository,
  planRepository,
  promotionRepository,
  sendingRepository,
  stockroomRepository,
  templateRepository,
} from '../db/index.ts';
import type { BasketCheckStore } from '../usecases/basket-check-store.ts';
import type { MatchingStore } from '../usecases/bring-in.ts';
import type { DraftStore, TemplateStore } from '../usecases/draft-store.ts';
import type { HeavyWork } from '../usecases/heavy-work.ts';
import type { PictureReader, PictureStore } from '../usecases/pictures.ts';
import type { PlanBook, PlanWriter, PromotionStore } from '../usecases/plan-store.ts';
import type { SendingStore, Signer } from '../usecases/sending-store.ts';
import type { StockroomStore } from '../usecases/stockroom-store.ts';
import { type StoreComparison, storeComparison } from '../usecases/store-comparison.ts';
import { now } from './clock.ts';
import { type Environment, readEnvironment } from './environment.ts';
import { heavyWork } from './heavy/heavy-work.ts';
import { livePlanBook } from './live-plan-book.ts';
import { readPicture } from './read-picture.ts';
import { type SignIn, signInService } from './sign-in.ts';
import { priceFileSigner } from './signing.ts';
import { watchPlan } from './watch-plan.ts';

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
  readonly checks: BasketCheckStore;
  readonly pictures: PictureStore;
  readonly readPicture: PictureReader;
  readonly heavy: HeavyWork;
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
    checks: basketCheckRepository(db),
    pictures: pictureRepository(db),
    readPicture,
    heavy: heavyWork(environment),
  };
}

/** Kept baskets are rung again whenever the plan has changed, whoever changed it. */
function kept(application: App): App {
  watchPlan(application.environment.databaseUrl, () =>
    application.heavy.run('runBasketChecks', { stores: null }, now()),
  );
  return application;
}

// The one place where the process keeps its own state: put together at the first request.
let running: Promise<App> | undefined;

export function app(): Promise<App> {
  running ??= createApp(readEnvironment(process.env)).then(kept);
  return running;
}
