import type { Instant, Span } from '../calendar/index.ts';
import { askedThrough, costUnder } from '../consequences/index.ts';
import type { MinorUnits } from '../money/index.ts';
import { type CompiledChange, type PriceStep, timelines } from '../price-book/index.ts';
import type { Shopper } from '../tag-price/index.ts';
import { fieldOf } from './field.ts';
import type { Finding } from './finding.ts';
import { type Gathered, gather, gathered, lastOf, told } from './gathered.ts';
import { kindsFor } from './kinds-of-shopper.ts';
import { daysOf, type Place, type Scope } from './scope.ts';
import { changesBeside } from './tag-moments.ts';

export type MarginCode = 'below-cost' | 'below-floor';

/** How far a price is under the cost, or under the least price that leaves the floor; null: it is not. */
export function shortfall(
  price: number,
  cost: number,
  floor: number | null,
): { readonly code: MarginCode; readonly amount: number } | null {
  if (price < cost) return { code: 'below-cost', amount: cost - price };
  if (floor === null) return null;
  const least = leastPrice(cost, floor);
  return price < least ? { code: 'below-floor', amount: least - price } : null;
}

/** The least price whose margin is the floor. */
const leastPrice = (cost: number, floor: number): number =>
  floor >= 10_000 ? Number.POSITIVE_INFINITY : Math.ceil((cost * 10_000) / (10_000 - floor));

/**
 * `below-cost` and `below-floor`: tag prices that a change sets, alone or with some on top, or lowers from the base. What
 * comes out most is told: `amount` is by how much.
 */
export function thinTags(scope: Scope, change: CompiledChange): Finding[] {
  const { compiled } = scope;
  const beside = changesBeside(
    scope,
    change,
    ({ promotion: { id, offer } }) => id !== change.promotion.id && offer.onTop,
  );
  const found = new Map<string, { code: MarginCode; promotions: string[]; gathered: Gathered }>();
  const places = scope.placesOf(change);
  for (const shopper of kindsFor(scope.kinds, change.promotion)) {
    const indexes = new Set(places.flatMap((place) => [...suspects(scope, change, place, shopper, beside)]));
    for (const index of indexes)
      look(scope, change, shopper, index, (code, promotions, store, span, amount) => {
        const key = JSON.stringify([code, promotions]);
        const entry = found.get(key) ?? { code, promotions, gathered: gathered() };
        found.set(key, entry);
        gather(entry.gathered, [index], [store], [span], amount);
      });
  }
  return [...found.values()].flatMap(({ code, promotions, gathered: all }) =>
    told(compiled, all, {
      code,
      promotions,
      open: change.promotion.when.to === null && lastOf(all) >= scope.span.to,
    }),
  );
}

/** Items whose tag price may come under: its result or the base, lowered by all that may come on top. */
function suspects(
  scope: Scope,
  change: CompiledChange,
  { site }: Place,
  shopper: Shopper,
  beside: readonly CompiledChange[],
): ReadonlySet<number> {
  const { compiled } = scope;
  const { marginFloor } = compiled.plan.policy;
  const { promotion } = change;
  const found = new Set<number>();
  for (const day of daysOf(scope, site, scope.spansOf(promotion, site)))
    for (const [index, result] of fieldOf(compiled, change, site, day, shopper)) {
      const cost = costUnder(promotion.supplier, compiled.catalogue.items[index]!);
      if (cost === null || found.has(index)) continue;
      const stepped = promotion.offer.onTop ? 0 : lowered(beside, index, result);
      if (shortfall(stepped, cost, marginFloor)) found.add(index);
    }
  return found;
}

const lowered = (beside: readonly CompiledChange[], index: number, result: number): number =>
  beside.reduce(
    (price, change) =>
      change.selection().mayHave(index) ? Math.min(price, change.table().step(price, price)) : price,
    result,
  );

type Tell = (code: MarginCode, promotions: string[], store: string, span: Span, amount: number) => void;

/** Looks at one item in all stores of the change, as long as it counts in any of them. */
function look(scope: Scope, change: CompiledChange, shopper: Shopper, index: number, tell: Tell): void {
  const { compiled } = scope;
  const { promotion } = change;
  if (promotion.codes.length > 0) return;
  const item = compiled.catalogue.items[index]!;
  const cost = costUnder(promotion.supplier, item)!;
  const places = scope.placesOf(change).filter(({ site }) => !site.own);
  const spans = places.flatMap(({ site }) => scope.spansOf(promotion, site));
  const stores = places.flatMap((place) => place.stores);
  if (spans.length === 0) return;
  const span = {
    from: Math.min(...spans.map(({ from }) => from)) as Instant,
    to: Math.max(...spans.map(({ to }) => to)) as Instant,
  };
  const asked = { sku: item.sku, shopper, ...askedThrough(compiled, promotion, stores[0]!) };
  timelines(compiled, asked, stores, span).forEach((steps, i) => {
    for (const step of steps) {
      if (!madeBy(step, promotion.id)) continue;
      const short = shortfall(step.price as MinorUnits, cost, compiled.plan.policy.marginFloor);
      if (!short) continue;
      const promotions = [...(step.promotion === null ? [] : [step.promotion]), ...step.onTop];
      tell(short.code, promotions, stores[i]!, step, short.amount);
    }
  });
}

/** Of several on top of the base the first one answers for it. */
const madeBy = ({ price, promotion, onTop }: PriceStep, id: string): boolean =>
  price !== null && (promotion === id || (promotion === null && onTop[0] === id));
