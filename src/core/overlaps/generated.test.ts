import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priceChanges } from '../../../tests/plans/generated.ts';
import { compiled, withPromotions } from '../../../tests/plans/small-plan.ts';
import { DAY, type Instant, midnight, parseLocalDate } from '../calendar/index.ts';
import { readPromotion } from '../plan/index.ts';
import { apply, type CompiledPlan, priceAt } from '../price-book/index.ts';
import { isFor, type PriceAnswer, type Shopper } from '../tag-price/index.ts';
import {
  type Finding,
  type FindingCode,
  findAfter,
  findingsIn,
  findOf,
  findOverlaps,
  planBeside,
} from './index.ts';
import { kindsOfShopper } from './kinds-of-shopper.ts';
import { scopeOf } from './scope.ts';

type Priced = Extract<PriceAnswer, { kind: 'price' }>;
interface Seen {
  readonly sku: string;
  readonly store: string;
  readonly shopper: Shopper;
  readonly answer: Priced;
}

/** Every price of the spring, asked from the explained rule at each moment at which one may change. */
function everyPrice(plan: CompiledPlan): Seen[] {
  const scope = scopeOf(plan);
  const kinds = kindsOfShopper(plan.plan);
  return scope.sites.flatMap((site) => {
    if (site.own) return [];
    const clock = plan.clockOf(site.store);
    const moments = new Set<Instant>([scope.span.from]);
    for (const { promotion } of plan.changes)
      for (const { from, to } of scope.spansOf(promotion, site)) moments.add(from).add(to);
    for (const day of ['2027-05-01', '2027-06-01', '2028-01-01'])
      moments.add(clock.toInstant(midnight(parseLocalDate(day)!)));
    const inside = [...moments].filter((at) => scope.span.from <= at && at < scope.span.to);
    return site.stores.flatMap((store) =>
      plan.catalogue.items.flatMap(({ sku }) =>
        kinds.flatMap((shopper) =>
          inside.flatMap((at): Seen[] => {
            const answer = priceAt(plan, { sku, store, at, shopper });
            return answer.kind === 'price' ? [{ sku, store, shopper, answer }] : [];
          }),
        ),
      ),
    );
  });
}

interface Candidate {
  readonly id: string;
  readonly result: number;
}

const candidatesOf = ({ winner, lost }: Priced): Candidate[] => [
  ...(winner ? [{ id: winner.promotion, result: winner.working.result as number }] : []),
  ...lost.flatMap(({ promotion, reason, result }) =>
    ['lower-priority', 'higher-price', 'later-id'].includes(reason) && result !== null
      ? [{ id: promotion, result: result as number }]
      : [],
  ),
];

/** What each code means, said of every price there is. */
function plainly(plan: CompiledPlan, seen: readonly Seen[]): Record<string, Set<string>> {
  const byId = new Map(plan.changes.map(({ promotion }) => [promotion.id, promotion]));
  const overlap = new Set<string>();
  const candidate = new Set<string>();
  const sets = new Set<string>();
  const below = new Set<string>();
  for (const { sku, answer } of seen) {
    const all = candidatesOf(answer);
    for (const a of all)
      for (const b of all)
        if (a.id < b.id && byId.get(a.id)!.priority === byId.get(b.id)!.priority)
          overlap.add(JSON.stringify([[a.id, b.id], sku]));
    for (const { id } of all) candidate.add(id);
    for (const { promotion, reason } of answer.lost)
      if (reason === 'winner-alone' || reason === 'not-lower') candidate.add(promotion);
    if (answer.winner) sets.add(answer.winner.promotion);
    for (const { promotion } of answer.onTop) sets.add(promotion);
    const makers = [
      ...(answer.winner ? [answer.winner.promotion] : []),
      ...answer.onTop.map((one) => one.promotion),
    ];
    const cost = plan.catalogue.items[plan.catalogue.indexOf.get(sku)!]!.cost;
    if (cost !== null && answer.price < cost && makers.length > 0) below.add(JSON.stringify([makers, sku]));
  }
  return {
    overlap,
    'never-wins': new Set([...candidate].filter((id) => !sets.has(id)).map((id) => JSON.stringify([[id]]))),
    'below-cost': below,
  };
}

/** Who would be dearer, where the finding looks: all it is for where it may raise, else the first kind. */
function raised(plan: CompiledPlan, seen: readonly Seen[]): Set<string> {
  const kinds = kindsOfShopper(plan.plan);
  const found = new Set<string>();
  for (const { promotion } of plan.changes) {
    const meant = kinds.filter((shopper) => isFor(promotion.who, shopper));
    const looked = promotion.offer.mayRaise ? meant : meant.slice(0, 1);
    for (const { sku, shopper, answer } of seen) {
      if (!looked.some((kind) => JSON.stringify(kind) === JSON.stringify(shopper))) continue;
      const would = answer.lost.some((one) => one.promotion === promotion.id && one.reason === 'would-raise');
      const does = candidatesOf(answer).some(
        ({ id, result }) => id === promotion.id && result > answer.base.price,
      );
      if (would || does) found.add(JSON.stringify([[promotion.id], sku]));
    }
  }
  return found;
}

const OF_TAGS: readonly FindingCode[] = ['below-cost', 'below-floor', 'reduced-before'];

/** Item by item and store by store; of a reduction before with the lowest price of the days before. */
const singly = ({ code, promotions, items, stores, amount }: Finding, goods: ReadonlySet<string>): string[] =>
  items.flatMap((sku) =>
    goods.has(sku)
      ? stores.map((store) =>
          JSON.stringify([code, promotions, sku, store, code === 'reduced-before' ? amount : null]),
        )
      : [],
  );

const byItem = (found: readonly Finding[], code: FindingCode): Set<string> =>
  new Set(
    found
      .filter((finding) => finding.code === code)
      .flatMap(({ promotions, items }) => items.map((sku) => JSON.stringify([promotions, sku]))),
  );

const whole = (found: readonly Finding[], code: FindingCode): Set<string> =>
  new Set(
    found.filter((finding) => finding.code === code).map(({ promotions }) => JSON.stringify([promotions])),
  );

describe('whatever the price changes are', () => {
  it('what is found is what asking for every price shows', () => {
    fc.assert(
      fc.property(priceChanges, (all) => {
        const plan = compiled(withPromotions(...all));
        const seen = everyPrice(plan);
        const found = findOverlaps(plan);
        const wanted = plainly(plan, seen);
        expect(byItem(found, 'overlap')).toEqual(wanted.overlap);
        expect(whole(found, 'never-wins')).toEqual(wanted['never-wins']);
        expect(byItem(found, 'below-cost')).toEqual(wanted['below-cost']);
        expect(byItem(found, 'raises-price')).toEqual(raised(plan, seen));
      }),
      { numRuns: 8 },
    );
  });

  it('the same plan gives the same findings, in whatever order it lists its promotions', () => {
    fc.assert(
      fc.property(priceChanges, (all) => {
        const found = findOverlaps(compiled(withPromotions(...all)));
        expect(findOverlaps(compiled(withPromotions(...all.toReversed())))).toEqual(found);
      }),
      { numRuns: 25 },
    );
  });

  it('after an edit the findings are those of the plan looked at anew', () => {
    fc.assert(
      fc.property(priceChanges, priceChanges, (all, others) => {
        const before = compiled(withPromotions(...all));
        const span = scopeOf(before).span;
        const put = { ...others[0]!, id: all.at(-1)!.id };
        const promotion = readPromotion(put, before.plan.currency);
        const { compiled: after } = apply(before, { kind: 'put-promotion', promotion });
        const kept = findAfter(null, before, span);
        const anew = compiled(withPromotions(...all.slice(0, -1), put));
        expect(findingsIn(findAfter(kept, after, span))).toEqual(findOverlaps(anew, span));
      }),
      { numRuns: 30 },
    );
  });

  it('of one promotion that is edited is what is about it, and what is new of the others', () => {
    const keyOf = ({ code, promotions, part, items, stores, amount }: Finding) =>
      JSON.stringify([code, promotions, part ?? null, items, stores, amount]);
    fc.assert(
      fc.property(priceChanges, priceChanges, (all, others) => {
        const before = compiled(withPromotions(...all));
        const put = { ...others[0]!, id: all.at(-1)!.id, status: 'approved' as const };
        const promotion = readPromotion(put, before.plan.currency);
        const { compiled: after, touched } = apply(before, { kind: 'put-promotion', promotion });
        const span = scopeOf(after).span;
        const [then, now] = [findOverlaps(before, span), findOverlaps(after, span)];
        const found = findOf(planBeside(before, span), after, put.id);
        // Of the tag prices of others the goods that it selects are told, and no others.
        const isOfOthersTags = ({ code, promotions }: Finding) =>
          OF_TAGS.includes(code) && !promotions.includes(put.id);
        const known = new Set(then.map(keyOf));
        const wanted = now.filter((one) => one.promotions.includes(put.id) || !known.has(keyOf(one)));
        const rest = (list: readonly Finding[]) => list.filter((one) => !isOfOthersTags(one));
        expect(rest(found)).toEqual(rest(wanted));
        const goods = new Set(touched.items.map((index) => before.catalogue.items[index]!.sku));
        const single = (list: readonly Finding[]) =>
          new Set(list.filter(isOfOthersTags).flatMap((one) => singly(one, goods)));
        const [were, are, told] = [single(then), single(now), single(found)];
        expect([...told].filter((one) => !are.has(one))).toEqual([]);
        expect([...are].filter((one) => !were.has(one) && !told.has(one))).toEqual([]);
        expect(
          found.filter(isOfOthersTags).flatMap(({ items }) => items.filter((sku) => !goods.has(sku))),
        ).toEqual([]);
      }),
      { numRuns: 20 },
    );
  });

  it('nothing lies outside of what was asked for', () => {
    fc.assert(
      fc.property(priceChanges, fc.integer({ min: 0, max: 90 }), (all, day) => {
        const plan = compiled(withPromotions(...all));
        const from = (Date.parse('2027-03-01T00:00Z') + day * DAY) as Instant;
        const span = { from, to: (from + 7 * DAY) as Instant };
        for (const { from: begins, to } of findOverlaps(plan, span)) {
          expect(begins).toBeLessThan(span.to);
          if (to !== null) expect(to).toBeGreaterThan(span.from);
        }
      }),
      { numRuns: 25 },
    );
  });
});
