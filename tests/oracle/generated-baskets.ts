import fc from 'fast-check';
import type { OfferDocument, PlanDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import { basketPlan, offer } from '../plans/basket-plan.ts';

/** Items of two families and some by themselves; the last one is nobody's but a gift. */
const SKUS = ['a', 'b', 'c', 'd', 'e'] as const;
const FAMILIES: Readonly<Record<string, string>> = { a: 'p', b: 'p' };

const money = (cents: number): string => (cents / 100).toFixed(2);
const price = fc.oneof(
  fc.integer({ min: 1, max: 20 }).map((tens) => tens * 50),
  fc.integer({ min: 1, max: 999 }),
);
const amount = price.map(money);
const points = fc.constantFrom(500, 1_250, 3_333, 5_000, 10_000);
const rule = fc.oneof(
  fc.constant({ all: true as const }),
  fc.subarray([...SKUS], { minLength: 1, maxLength: 4 }).map((items) => ({ items })),
);
const few = fc.integer({ min: 1, max: 3 });

const unitValue = fc.oneof(
  amount.map((each) => ({ each })),
  points.map((percentOff) => ({ percentOff })),
  amount.map((amountOffEach) => ({ amountOffEach })),
);
const part = fc.record({ items: rule, quantity: fc.integer({ min: 1, max: 2 }) });
const counted = fc.constantFrom('item' as const, 'family' as const, 'set' as const);

const quantityBreak = fc
  .record({
    items: rule,
    count: counted,
    beyond: fc.boolean(),
    starts: fc.uniqueArray(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 3 }),
    values: fc.array(unitValue, { minLength: 3, maxLength: 3 }),
  })
  .map(({ starts, values, ...rest }) => ({
    kind: 'quantityBreak' as const,
    ...rest,
    tiers: starts.sort((x, y) => x - y).map((atLeast, i) => ({ atLeast, ...values[i]! })),
  }));
const bundle = fc.record({
  kind: fc.constant('mixAndMatch' as const),
  items: rule,
  take: fc.integer({ min: 1, max: 4 }),
  value: fc.oneof(
    amount.map((total) => ({ total })),
    points.map((percentOff) => ({ percentOff })),
    amount.map((amountOff) => ({ amountOff })),
    amount.map((each) => ({ each })),
  ),
});
const rewardUnit = fc
  .record({
    items: rule,
    take: fc.integer({ min: 1, max: 4 }),
    rewarded: few,
    pick: fc.constantFrom('cheapest' as const, 'dearest' as const),
    value: unitValue,
  })
  .map((made) => ({ kind: 'mixAndMatch' as const, ...made, rewarded: Math.min(made.rewarded, made.take) }));
const buyAndGet = fc.record({
  kind: fc.constant('mixAndMatch' as const),
  buy: fc.array(part, { minLength: 1, maxLength: 2 }),
  get: part,
  notDearer: fc.boolean(),
  value: unitValue,
});
const combo = fc
  .record({
    slots: fc.array(part, { minLength: 1, maxLength: 3 }),
    way: fc.constantFrom('total', 'each', 'percentOff'),
    amounts: fc.array(amount, { minLength: 4, maxLength: 4 }),
    percentOff: points,
    extra: fc.option(fc.dictionary(fc.constantFrom(...SKUS), amount, { maxKeys: 2 }), { nil: undefined }),
  })
  .map(({ slots, way, amounts, percentOff, extra }) => ({
    kind: 'combo' as const,
    slots: slots.map((slot, i) => ({
      name: `slot ${i}`,
      ...slot,
      ...(way === 'each' ? { each: amounts[i]! } : {}),
    })),
    ...(way === 'total' ? { value: { total: amounts[3]! } } : {}),
    ...(way === 'percentOff' ? { value: { percentOff } } : {}),
    ...(extra && way !== 'percentOff' ? { extra } : {}),
  }));
const freeGoods = fc
  .record({
    items: rule,
    count: counted,
    minimum: fc.option(fc.integer({ min: 1, max: 5 }), { nil: undefined }),
    every: few,
    free: fc.integer({ min: 1, max: 2 }),
    parts: fc.constantFrom('whole' as const, 'prorated' as const),
    gift: fc.option(fc.constantFrom('gift', 'a'), { nil: undefined }),
    maxFree: fc.option(few, { nil: undefined }),
  })
  .map((made) => ({
    kind: 'freeGoods' as const,
    ...(Object.fromEntries(Object.entries(made).filter(([, value]) => value !== undefined)) as typeof made),
  }));

export const unitOffer: fc.Arbitrary<OfferDocument> = fc.oneof(
  quantityBreak,
  bundle,
  rewardUnit,
  buyAndGet,
  combo,
  freeGoods,
) as fc.Arbitrary<OfferDocument>;

export interface GeneratedBasket {
  readonly plan: PlanDocument;
  readonly lines: readonly (readonly [string, number])[];
  readonly offers: readonly PromotionDocument[];
  /** Tag and base by SKU, in cents. */
  readonly prices: Readonly<Record<string, { readonly tag: number; readonly base: number }>>;
}

/** A few competing offers on a few units, some of them reduced by a price change, offers from the tag or the base. */
export const generatedBasket = (size: {
  units: number;
  offers: number;
  /** Whether some offers may use only so many units. */
  unitLimits?: boolean;
}): fc.Arbitrary<GeneratedBasket> =>
  fc
    .record({
      prices: fc.array(fc.tuple(price, fc.option(fc.integer({ min: 1, max: 400 }), { freq: 2 })), {
        minLength: 6,
        maxLength: 6,
      }),
      lines: fc.array(fc.constantFrom(...SKUS), { minLength: 1, maxLength: size.units, size: 'max' }),
      offers: fc.array(
        fc.record({
          offer: unitOffer,
          priority: fc.constantFrom(1, 2, 100),
          startsFrom: fc.constantFrom('tag' as const, 'tag' as const, 'base' as const),
          limitPerBasket: fc.option(fc.integer({ min: 1, max: 2 }), { nil: undefined, freq: 4 }),
          ...(size.unitLimits
            ? { unitsInAll: fc.option(fc.integer({ min: 1, max: size.units }), { nil: undefined, freq: 2 }) }
            : {}),
        }),
        { minLength: 1, maxLength: size.offers },
      ),
    })
    .map(({ prices, lines, offers }) => {
      const skus = [...SKUS, 'gift'];
      const bySku = Object.fromEntries(
        skus.map((sku, i) => {
          const [base, off] = prices[i]!;
          return [sku, { base, tag: off === null ? base : Math.max(0, base - off) }];
        }),
      );
      const linePrices = Object.fromEntries(
        skus.filter((sku) => bySku[sku]!.tag < bySku[sku]!.base).map((sku) => [sku, money(bySku[sku]!.tag)]),
      );
      const items: Record<string, object> = Object.fromEntries(
        skus.map((sku) => [
          sku,
          {
            prices: [{ price: money(bySku[sku]!.base) }],
            ...(FAMILIES[sku] ? { parent: FAMILIES[sku] } : {}),
          },
        ]),
      );
      const promotions = offers.map(({ offer: one, priority, startsFrom, limitPerBasket, unitsInAll }, i) =>
        offer(`o${i}`, one, {
          priority,
          startsFrom,
          ...(limitPerBasket === undefined ? {} : { limitPerBasket }),
          ...(unitsInAll === undefined ? {} : { uses: { unitsInAll } }),
        }),
      );
      const change: PromotionDocument[] =
        Object.keys(linePrices).length === 0
          ? []
          : [offer('pc', { kind: 'priceChange', items: { items: Object.keys(linePrices) }, linePrices })];
      return {
        plan: basketPlan({ p: { prices: [] }, ...items }, [...change, ...promotions]),
        lines: lines.map((sku) => [sku, 1] as const),
        offers: promotions,
        prices: bySku,
      };
    });

export const familyOf = (sku: string): string => FAMILIES[sku] ?? sku;
