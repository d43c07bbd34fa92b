import { dayOf, type Instant, midnight, type Span } from '../calendar/index.ts';
import type { CompiledChange } from '../price-book/index.ts';
import type { Looked, Scope } from './scope.ts';
import type { Site } from './sites.ts';

/** The changes that may price goods of a promotion while it counts. */
export function changesBeside(
  { changes }: Scope,
  { promotion }: Looked,
  touches: (change: CompiledChange) => boolean,
): readonly CompiledChange[] {
  const { from, to } = promotion.when;
  return changes.filter(
    (change) =>
      (to === null || change.promotion.when.from < to) &&
      (change.promotion.when.to === null || from < change.promotion.when.to) &&
      touches(change),
  );
}

/** The moments within some spans at which a tag price may change, the first ones of the spans among them. */
export function tagMoments(
  scope: Scope,
  site: Site,
  spans: readonly Span[],
  changes: readonly CompiledChange[],
): readonly Instant[] {
  const clock = scope.compiled.clockOf(site.store);
  const moments = new Set<Instant>(spans.map(({ from }) => from));
  const inside = (moment: Instant): boolean => spans.some(({ from, to }) => from <= moment && moment < to);
  for (const { promotion } of changes)
    for (const { from, to } of scope.spansOf(promotion, site))
      for (const moment of [from, to]) if (inside(moment)) moments.add(moment);
  const first = spans[0];
  const last = spans.at(-1);
  if (first && last)
    for (const turn of scope.compiled.grounds.turns) {
      if (turn < dayOf(clock.toWall(first.from)) || turn > dayOf(clock.toWall(last.to))) continue;
      const moment = clock.toInstant(midnight(turn));
      if (inside(moment)) moments.add(moment);
    }
  return [...moments].sort((a, b) => a - b);
}
