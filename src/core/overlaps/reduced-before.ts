import { DAY, dayOf, type Instant, type Span } from '../calendar/index.ts';
import { askedThrough } from '../consequences/index.ts';
import { type CompiledChange, timelines } from '../price-book/index.ts';
import { fieldOf } from './field.ts';
import type { Finding } from './finding.ts';
import { type Gathered, gather, gathered, lastOf, told } from './gathered.ts';
import { kindsForBoth } from './meeting.ts';
import type { Scope } from './scope.ts';
import type { Site } from './sites.ts';

/** An item that was reduced is not to be reduced again so soon. */
const WITHIN = 30 * DAY;
/** Hours and days of one reduction less than this apart are one run of it. */
const ONE_RUN = 7 * DAY;

/**
 * `reduced-before`: the second reduces an item again within 30 days of the end of the first, in the same store. One
 * finding for each lowest tag price of the 30 days before, which is its `amount`, with the goods and stores it holds for.
 */
export function reducedBefore(scope: Scope, first: CompiledChange, second: CompiledChange): Finding[] {
  if (first.promotion.codes.length + second.promotion.codes.length > 0) return [];
  const [shopper] = kindsForBoth(scope, first, second);
  if (!shopper || tooFar(first, second)) return [];
  const { compiled } = scope;
  const there = second.stores();
  const byLowest = new Map<number, Gathered>();
  for (const { site, stores } of scope.placesOf(first)) {
    const both = stores.filter((id) => there.has(id));
    if (both.length === 0) continue;
    for (const { ended, again } of pairsOf(scope, first, second, site)) {
      const day = dayOf(compiled.clockOf(site.store).toWall(again.from));
      const was = dayOf(compiled.clockOf(site.store).toWall((ended - 1) as Instant));
      const later = fieldOf(compiled, second, site, day, shopper);
      if (later.size === 0) continue;
      for (const index of fieldOf(compiled, first, site, was, shopper).keys()) {
        if (!later.has(index)) continue;
        const { sku, prices } = compiled.catalogue.items[index]!;
        const here = site.own ? both : both.filter((id) => !prices.stores.has(id));
        const asked = { sku, shopper, ...askedThrough(compiled, second.promotion, site.store.id) };
        const from = Math.min(ended - 1, again.from - WITHIN) as Instant;
        const span = { from, to: (again.from + 1) as Instant };
        timelines(compiled, asked, here, span).forEach((steps, i) => {
          const lowest = lowestBefore(steps, first, second, ended, again.from);
          if (lowest === null) return;
          const into = byLowest.get(lowest) ?? gathered();
          byLowest.set(lowest, into);
          gather(into, [index], [here[i]!], [again], lowest);
        });
      }
    }
  }
  return [...byLowest.values()].flatMap((into) =>
    told(compiled, into, {
      code: 'reduced-before',
      promotions: [first.promotion.id, second.promotion.id],
      open: second.promotion.when.to === null && lastOf(into) >= scope.span.to,
    }),
  );
}

/** A quick look at the dates alone: a day to spare for stores in other time zones. */
function tooFar(
  { promotion: { when: a } }: CompiledChange,
  { promotion: { when: b } }: CompiledChange,
): boolean {
  if (b.to !== null && b.to < a.from) return true;
  return a.to !== null && b.repeat === null && b.windows.length === 0 && b.from > a.to + WITHIN + DAY;
}

interface Again {
  readonly ended: Instant;
  readonly again: Span;
}

/** The runs of the second that begin so soon after a run of the first has ended, each with the last such end. */
function pairsOf(scope: Scope, first: CompiledChange, second: CompiledChange, site: Site): Again[] {
  const ends = runsOf(scope.rememberedSpansOf(first.promotion, site));
  const agains = runsOf(scope.rememberedSpansOf(second.promotion, site)).filter(
    ({ to }) => to > scope.span.from,
  );
  return agains.flatMap((again) => {
    const before = ends.filter(({ from, to }) => from < again.from && to <= again.from);
    const ended = before.at(-1)?.to;
    const running = ends.some(({ from, to }) => from <= again.from && again.from < to);
    return ended !== undefined && !running && again.from - ended <= WITHIN ? [{ ended, again }] : [];
  });
}

function runsOf(spans: readonly Span[]): Span[] {
  const runs: Span[] = [];
  for (const span of spans) {
    const last = runs.at(-1);
    if (last && span.from - last.to < ONE_RUN) runs[runs.length - 1] = { from: last.from, to: span.to };
    else runs.push(span);
  }
  return runs;
}

type Steps = ReturnType<typeof timelines>[number];

/** The lowest tag price of the 30 days before, where the first lowered it at its end and the second lowers it now. */
function lowestBefore(
  steps: Steps,
  first: CompiledChange,
  second: CompiledChange,
  ended: Instant,
  again: Instant,
): number | null {
  const lowers = (at: number, { promotion }: CompiledChange): boolean => {
    const step = steps.find(({ from, to }) => from <= at && at < to);
    if (!step || step.price === null || step.price >= step.regular!) return false;
    return step.promotion === promotion.id || step.onTop.includes(promotion.id);
  };
  if (!lowers(ended - 1, first) || !lowers(again, second)) return null;
  const before = steps.filter(({ from, to, price }) => price !== null && to > again - WITHIN && from < again);
  return before.reduce((lowest, { price }) => Math.min(lowest, price!), Number.POSITIVE_INFINITY);
}
