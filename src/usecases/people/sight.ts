import { type Person, sees } from '../../contracts/index.ts';
import type {
  FormulaDocument,
  ItemDocument,
  LinePricesInDocument,
  PlanDocument,
  PromotionDocument,
  StoreRule,
} from '../../core/plan/index.ts';
import { knownEntries, readPlan } from '../../core/plan/index.ts';
import { type CompiledPlan, compile } from '../../core/price-book/index.ts';
import { storesOf } from '../../core/selection/index.ts';
import type { CurrentPlan, PlanBook } from '../ports/index.ts';

/**
 * What a person may see of the plan. Whoever sees only some stores is given a plan in which there are no others, so
 * that nothing that is worked out from it can tell of them; whoever does not see costs, a document without any. Prices
 * come out the same: the compiled plan keeps costs, which some prices are made from, and what shows one asks `costs`.
 */
type Sight = Pick<Person, 'stores' | 'costs'>;

/** What has been narrowed of a plan stays as long as the plan does. */
const narrowed = new WeakMap<CurrentPlan, Map<string, CurrentPlan>>();

/** An item with the prices of some stores alone stays the same as long as the item does: it is read once. */
const pricedIn = new WeakMap<ItemDocument, Map<string, ItemDocument>>();
const read = knownEntries();

interface PromotionSeen extends Pick<CompiledPlan['plan'], 'stores' | 'storeGroups'> {
  readonly seen: PromotionDocument | null;
}
const promotionsSeen = new WeakMap<PromotionDocument, Map<string, PromotionSeen>>();

/** The plan as it stands, as far as a person may see it. For looking only: what is written is checked against all. */
export const seenBy = async (book: PlanBook, person: Sight): Promise<CurrentPlan> =>
  seenOf(await book.current(), person);

export function seenOf(current: CurrentPlan, person: Sight): CurrentPlan {
  if (person.stores === null && person.costs) return current;
  const kept = narrowed.get(current) ?? new Map<string, CurrentPlan>();
  narrowed.set(current, kept);
  const key = JSON.stringify([person.stores, person.costs]);
  const seen = kept.get(key) ?? narrow(current, person);
  kept.set(key, seen);
  return seen;
}

function narrow(current: CurrentPlan, person: Sight): CurrentPlan {
  const { document, compiled, version } = current;
  const ofStores = person.stores === null ? document : withStores(document, compiled, person);
  return {
    version,
    compiled:
      person.stores === null
        ? compiled
        : compile(readPlan(withStores(document, compiled, { ...person, costs: true }), read)),
    document: person.costs ? ofStores : withoutCosts(ofStores),
  };
}

/** A promotion as far as a person may see it; null where it counts in no store of theirs. */
export function seenPromotion(
  promotion: PromotionDocument,
  compiled: CompiledPlan,
  person: Sight,
): PromotionDocument | null {
  const costs = person.costs ? promotion : withoutTerms(promotion);
  if (person.stores === null) return costs;
  const { notes: _, ...told } = withLinePricesOf(costs, compiled, person);
  const here = narrowRule(promotion.where, compiled, person);
  return here ? { ...(person.costs ? told : withoutMarkUp(told)), where: here } : null;
}

function withStores(document: PlanDocument, compiled: CompiledPlan, person: Sight): PlanDocument {
  const stores = document.stores.filter(({ id }) => sees(person, id));
  const zones = new Set(stores.map(({ zone }) => zone));
  const within = <T, R extends StoreRule | undefined>(
    list: readonly T[] | undefined,
    ruleOf: (one: T) => R,
    withRule: (one: T, rule: StoreRule) => T,
  ): T[] =>
    (list ?? []).flatMap((one) => {
      const rule = narrowRule(ruleOf(one), compiled, person);
      return rule ? [withRule(one, rule)] : [];
    });
  return {
    ...document,
    stores,
    zones: (document.zones ?? []).filter(({ id }) => zones.has(id)),
    terminals: (document.terminals ?? []).filter(({ store }) => sees(person, store)),
    storeGroups: within(
      document.storeGroups,
      ({ rule }) => rule,
      (group, rule) => ({ ...group, rule }),
    ),
    ranges: within(
      document.ranges,
      (range) => range.stores,
      (range, rule) => ({ ...range, stores: rule }),
    ),
    items: itemsOf(document, person, zones),
    promotions: document.promotions.flatMap((one) => keptPromotion(one, compiled, person) ?? []),
  };
}

/** A promotion that has not changed, nor any store or group, is the same to the same person: it is read once. */
function keptPromotion(
  promotion: PromotionDocument,
  compiled: CompiledPlan,
  person: Sight,
): PromotionDocument | null {
  const { stores, storeGroups } = compiled.plan;
  const key = JSON.stringify([person.stores, person.costs]);
  const known = promotionsSeen.get(promotion) ?? new Map<string, PromotionSeen>();
  promotionsSeen.set(promotion, known);
  const before = known.get(key);
  if (before?.stores === stores && before.storeGroups === storeGroups) return before.seen;
  const seen = seenPromotion(promotion, compiled, person);
  known.set(key, { stores, storeGroups, seen });
  return seen;
}

/** Whose own stores a rule selects, by name; null where none of them. */
function narrowRule(rule: StoreRule | undefined, compiled: CompiledPlan, person: Sight): StoreRule | null {
  const chosen = storesOf(rule ?? { all: true }, compiled.plan);
  const own = (person.stores ?? []).filter((id) => chosen.has(id));
  if (own.length === 0) return null;
  return { stores: own };
}

function itemsOf(
  { items }: PlanDocument,
  person: Sight,
  zones: ReadonlySet<string | undefined>,
): ItemDocument[] {
  const key = JSON.stringify([person.stores, [...zones]]);
  return items.map((item) => {
    const known = pricedIn.get(item) ?? new Map<string, ItemDocument>();
    pricedIn.set(item, known);
    const found = known.get(key) ?? withPricesOf(item, person, zones);
    known.set(key, found);
    return found;
  });
}

function withPricesOf(
  item: ItemDocument,
  person: Sight,
  zones: ReadonlySet<string | undefined>,
): ItemDocument {
  const isSeen = ({ store, zone }: ItemDocument['prices'][number]) =>
    (store === undefined || sees(person, store)) && (zone === undefined || zones.has(zone));
  return item.prices.every(isSeen) ? item : { ...item, prices: item.prices.filter(isSeen) };
}

/** Prices line by line of other stores are theirs. */
function withLinePricesOf(
  promotion: PromotionDocument,
  { plan }: CompiledPlan,
  person: Sight,
): PromotionDocument {
  const { offer } = promotion;
  if (offer.kind !== 'priceChange' || !(offer.linePricesIn || offer.worksheet?.ownIn)) return promotion;
  const zones = new Set(plan.stores.flatMap(({ id, zone }) => (sees(person, id) ? [zone] : [])));
  const seen = (list: LinePricesInDocument[] | undefined) =>
    list?.filter(({ zone, store }) =>
      store === undefined ? zone === undefined || zones.has(zone) : sees(person, store),
    );
  const { worksheet } = offer;
  return {
    ...promotion,
    offer: {
      ...offer,
      ...(offer.linePricesIn ? { linePricesIn: seen(offer.linePricesIn) } : {}),
      ...(worksheet?.ownIn ? { worksheet: { ...worksheet, ownIn: seen(worksheet.ownIn) } } : {}),
    },
  };
}

/** From a price and the way it came from the cost anybody goes back to the cost. */
function withoutMarkUp<P extends Pick<PromotionDocument, 'offer'>>(promotion: P): P {
  const { offer } = promotion;
  if (offer.kind !== 'priceChange') return promotion;
  const { worksheet: _, formula, ...rest } = offer;
  const told = formula && !isOnCost(formula) ? { ...rest, formula } : rest;
  return { ...promotion, offer: told };
}

export const isOnCost = (formula: FormulaDocument): boolean =>
  'addPercent' in formula || 'marginOnPrice' in formula || ('basis' in formula && formula.basis === 'cost');

const withoutTerms = ({ supplier: _, ...promotion }: PromotionDocument): PromotionDocument => promotion;

const withoutCost = ({ cost: _, ...item }: ItemDocument): ItemDocument => item;

const withoutCosts = (document: PlanDocument): PlanDocument => ({
  ...document,
  items: document.items.map(withoutCost),
  promotions: document.promotions.map(withoutTerms),
});
