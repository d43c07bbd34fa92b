import {
  done,
  type Outcome,
  type Person,
  type PriceAcross,
  type PriceAcrossRequest,
  type PriceRequest,
  type PriceStory,
} from '../../contracts/index.ts';
import {
  asKnown,
  askPrice,
  askPriceAcross,
  askToJoin,
  beginPromotion,
  cardAtTill,
  countShoppers,
  fillCodeBatches,
  findTouching,
  holderOfCard,
  keepFindings,
  keepLoopholes,
  kindsToJoin,
  listChoices,
  listPromotions,
  listTemplates,
  listTerminals,
  listWaitingEntries,
  lookAtAllCodes,
  lookAtChain,
  lookAtCodeBatches,
  lookAtItem,
  lookAtShopper,
  lookAtStockroom,
  lookAtStore,
  lookAtTerminal,
  lookAtToday,
  lookAtTrail,
  lookAtUses,
  openEntry,
  openPastPromotion,
  openPromotion,
  type PastPorts,
  renewEpoch,
  renewPriceFiles,
  resolveLens,
  runBasketChecks,
  type ShopperPorts,
  searchItems,
  sendByItself,
  throwOldListsAway,
  waitingToJoin,
} from '../../usecases/index.ts';
import type { PlanPast, StockroomStore } from '../../usecases/ports/index.ts';

/** Looks at the plan as it was known, where the request says so. */
const past =
  <P extends PastPorts, Q extends { known?: string }, A>(
    work: (ports: P, person: Person, request: Q) => Promise<Outcome<A>>,
  ) =>
  async (ports: P, person: Person, request: Q): Promise<Outcome<A>> => {
    const then = await asKnown(ports, request.known);
    return then.ok ? work(then.value, person, request) : then;
  };

interface ItemPorts extends PastPorts {
  readonly stockroom: StockroomStore;
}

/**
 * What pages and small endpoints ask of the plan; plain data goes in and out. The plan lives in the threads alone: the
 * one that serves neither holds it nor puts it together anew when it changes.
 */
export const QUICK_VALUES = {
  askPrice: past<PastPorts & ShopperPorts, PriceRequest, PriceStory>(askPrice),
  askToJoin,
  askPriceAcross: past<PastPorts & ShopperPorts, PriceAcrossRequest, PriceAcross>(askPriceAcross),
  beginPromotion,
  cardAtTill,
  countShoppers,
  findTouching,
  kindsToJoin,
  listChoices,
  listPromotions,
  listTemplates,
  listTerminals,
  listWaitingEntries,
  lookAtAllCodes,
  lookAtChain,
  lookAtCodeBatches,
  lookAtItem,
  lookAtShopper,
  lookAtStockroom,
  lookAtStore,
  lookAtTerminal,
  lookAtTrail,
  lookAtUses,
  holderOfCard,
  openEntry,
  openPastPromotion,
  openPromotion,
  resolveLens,
  searchItems: past(async (ports: ItemPorts, _: Person, asked: { q: string; known?: string }) =>
    done(await searchItems(ports, asked)),
  ),
  waitingToJoin,
} as const;
export const HEAVY_VALUES = {
  ...QUICK_VALUES,
  fillCodeBatches,
  keepFindings,
  keepLoopholes,
  keepPast: ({ past }: { past: PlanPast }) => past.keep(),
  lookAtToday,
  renewEpoch,
  renewPriceFiles,
  runBasketChecks,
  sendByItself,
  throwOldListsAway,
} as const;

export type HeavyValue = keyof typeof HEAVY_VALUES;
type Rest<F> = F extends (ports: never, ...rest: infer R) => unknown ? R : never;
type Answer<F> = F extends (...args: never) => Promise<infer A> ? A : never;
export type ValueArgs<T extends HeavyValue> = Rest<(typeof HEAVY_VALUES)[T]>;
export type ValueAnswer<T extends HeavyValue> = Answer<(typeof HEAVY_VALUES)[T]>;
