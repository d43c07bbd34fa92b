import { expect, it } from 'vitest';
import { parsePlan } from '../src/contracts/index.ts';
import { formatWallTime, HOUR, type WallTime } from '../src/core/calendar/index.ts';
import { book, type CompiledOffer, compile, NO_PRICE } from '../src/core/price-book/index.ts';
import { ring } from '../tests/plans/basket-plan.ts';
import { chain, DEMO } from './chain.ts';
import { PLANTED } from './planted.ts';

const document = chain(DEMO, '2026-11-27');
const parsed = parsePlan(document);
if (!parsed.ok) throw new Error('the demo chain has faults');
const compiled = compile(parsed.plan);
const { items } = compiled.catalogue;
/** One with the widest range: food, and a photo counter. */
const store = [...compiled.stores.values()].find(({ id }) =>
  ['oat-bar', 'frame'].every((node) =>
    items.some((item, number) => item.node === node && compiled.carries(id, number, null)),
  ),
)!;
const planted = new Set<string>(PLANTED['worse-than-shelf']);
const deals = compiled.offers.filter(
  ({ promotion: { id, offer } }) => !/Reward$/.test(offer.kind) && !planted.has(id),
);

/** How many of each part the first application of a deal takes. */
function wanted({ promotion: { id } }: CompiledOffer): readonly number[] {
  const { offer } = document.promotions.find((one) => one.id === id)!;
  if (offer.kind === 'combo') return offer.slots.map(({ quantity }) => quantity);
  if (offer.kind === 'quantityBreak') return [6];
  if (offer.kind === 'freeGoods') return [offer.every];
  if (offer.kind !== 'mixAndMatch') return [];
  return 'take' in offer ? [offer.take] : [...offer.buy.map(({ quantity }) => quantity), offer.get.quantity];
}

/** The smallest basket that a deal takes in, of the cheapest or the dearest goods that the store carries. */
function basketFor(deal: CompiledOffer, dearest: boolean) {
  const counts = wanted(deal);
  const at = (deal.promotion.when.from + 3 * HOUR) as WallTime;
  const { prices } = book(compiled, compiled.clockOf(store).toInstant(at), [store.id]);
  const lines = deal.numbers().map((numbers, part) => {
    const rising = [...numbers!]
      .filter((number) => prices[number] !== NO_PRICE)
      .toSorted((a, b) => prices[a]! - prices[b]!);
    return { sku: items[rising.at(dearest ? -1 : 0)!]!.sku, quantity: counts[part]! };
  });
  return ring(compiled, { store: store.id, at: formatWallTime(at), lines });
}

it.each(deals.map((deal) => [deal.promotion.name, deal] as const))(
  '%s: somebody would buy it, and it earns something',
  (_, deal) => {
    for (const dearest of [false, true]) {
      const { applications, goods, lines } = basketFor(deal, dearest);
      const cost = lines.reduce((sum, { sku, quantity }) => {
        const item = items[compiled.catalogue.indexOf.get(sku)!]!;
        return sum + (item.cost ?? 0) * Number(quantity);
      }, 0);
      const paid = Math.round(Number(goods) * 100);
      // Some want their own goods: of the cheapest a price for several may be no gain.
      if (dearest) expect(applications.map(({ promotion }) => promotion)).toContain(deal.promotion.id);
      expect([dearest, paid > cost]).toEqual([dearest, true]);
    }
  },
);
