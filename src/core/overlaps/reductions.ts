import { DAY, type Instant, type Span } from '../calendar/index.ts';
import type { CompiledChange } from '../price-book/index.ts';
import type { Scope } from './scope.ts';
import type { Site } from './sites.ts';

/** An item that was reduced is not to be reduced again so soon. */
export const WITHIN = 30 * DAY;
/** Hours and days of one reduction less than this apart are one run of it. */
const ONE_RUN = 7 * DAY;

/** A run of a change that begins soon after runs of others have ended. */
export interface Again {
  readonly again: Span;
  /** The last end before, of each of the others. */
  readonly ended: ReadonlyMap<CompiledChange, Instant>;
}

/** The runs of a change at a site that begin within 30 days of the end of a run of others. */
export function agains(
  { rememberedSpansOf, span }: Scope,
  site: Site,
  change: CompiledChange,
  others: readonly CompiledChange[],
): Again[] {
  const runs = runsOf(rememberedSpansOf(change.promotion, site)).filter(({ to }) => to > span.from);
  const first = runs[0];
  const last = runs.at(-1);
  if (!first || !last) return [];
  const near = others.flatMap((other) => {
    const ends = other === change ? [] : runsOf(rememberedSpansOf(other.promotion, site));
    const may = ends.some(({ from, to }) => from < last.from && to + WITHIN >= first.from);
    return may ? [{ other, ends }] : [];
  });
  return runs.flatMap((again) => {
    const ended = new Map<CompiledChange, Instant>();
    for (const { other, ends } of near) {
      const before = ends.filter(({ from, to }) => from < again.from && to <= again.from).at(-1);
      const running = ends.some(({ from, to }) => from <= again.from && again.from < to);
      if (before && !running && again.from - before.to <= WITHIN) ended.set(other, before.to);
    }
    return ended.size > 0 ? [{ again, ended }] : [];
  });
}

const known = new WeakMap<readonly Span[], readonly Span[]>();

function runsOf(spans: readonly Span[]): readonly Span[] {
  const found = known.get(spans) ?? joined(spans);
  known.set(spans, found);
  return found;
}

function joined(spans: readonly Span[]): Span[] {
  const runs: Span[] = [];
  for (const span of spans) {
    const last = runs.at(-1);
    if (last && span.from - last.to < ONE_RUN) runs[runs.length - 1] = { from: last.from, to: span.to };
    else runs.push(span);
  }
  return runs;
}
