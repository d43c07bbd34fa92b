import type { Instant } from '../calendar/index.ts';
import { shopperFor, terminalFor } from '../consequences/index.ts';
import type { MinorUnits } from '../money/index.ts';
import { type Conditions, type Promotion, roomOf, type StoreDocument } from '../plan/index.ts';
import { type CompiledPlan, DEFAULT_CHANNEL } from '../price-book/index.ts';
import { type Basket, codesHeld, standIns } from '../receipt/index.ts';

/** What delivery is taken to cost where a deal on it is looked at, in whole units of money. */
const ORDINARY_CHARGE = 5;

/** A basket with nothing in it, brought by somebody for whom the deal is, with all that it asks beside the goods. */
export function fittingBasket(
  compiled: CompiledPlan,
  promotion: Promotion,
  store: StoreDocument,
  at: Instant,
): Basket {
  const { offer } = promotion;
  const conditions = 'conditions' in offer ? offer.conditions : null;
  const shopper = shopperFor(promotion);
  const known = conditions !== null && asksForHistory(conditions);
  return {
    id: null,
    store: store.id,
    at,
    channel: promotion.channels?.[0] ?? DEFAULT_CHANNEL,
    terminal: terminalFor(compiled, promotion, store.id) ?? null,
    shopper: known && shopper.kind === 'guest' ? { kind: 'shopper', id: null, groups: [] } : shopper,
    history: known ? historyFor(conditions) : null,
    codes: codesHeld(promotion).slice(0, 1),
    vouched: standIns([promotion]),
    usesSoFar: new Map(),
    payment: conditions?.payments?.[0] ?? null,
    delivery: deliveryFor(compiled, promotion, conditions),
    region: conditions?.regions?.[0] ?? null,
    postcode: conditions?.postcodes?.[0] ?? null,
    linkTag: conditions?.linkTags?.[0] ?? null,
    lines: [],
  };
}

const asksForHistory = ({ minPastOrders, maxPastOrders, minLifetimeSpend }: Conditions): boolean =>
  minPastOrders !== null || maxPastOrders !== null || minLifetimeSpend !== null;

const historyFor = ({ minPastOrders, maxPastOrders, minLifetimeSpend }: Conditions) => ({
  pastOrders: minPastOrders ?? Math.min(1, maxPastOrders ?? 1),
  lifetimeSpend: minLifetimeSpend ?? (0 as MinorUnits),
});

function deliveryFor(
  { plan }: CompiledPlan,
  { offer }: Promotion,
  conditions: Conditions | null,
): Basket['delivery'] {
  const onDelivery = roomOf(offer).over === 'delivery';
  const way = ('ways' in offer ? offer.ways?.[0] : undefined) ?? conditions?.deliveries?.[0];
  if (way === undefined && !onDelivery) return null;
  return {
    way: way ?? 'delivery',
    charge: (ORDINARY_CHARGE * 10 ** plan.currency.exponent) as MinorUnits,
  };
}
