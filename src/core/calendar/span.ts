import type { Instant } from './wall-time.ts';

/** Half-open: `from` ≤ t < `to`. `to` is Infinity where the end is open. */
export interface Span {
  readonly from: Instant;
  readonly to: Instant;
}

export const FOREVER = Number.POSITIVE_INFINITY as Instant;

/** What both have in common; null where that is nothing. */
export function common(a: Span, b: Span): Span | null {
  const from = Math.max(a.from, b.from) as Instant;
  const to = Math.min(a.to, b.to) as Instant;
  return from < to ? { from, to } : null;
}

/** Sorted, without empty ones, and with touching or overlapping ones made one. */
export function union(spans: readonly Span[]): Span[] {
  const sorted = spans.filter((span) => span.from < span.to).sort((a, b) => a.from - b.from);
  const merged: Span[] = [];
  for (const span of sorted) {
    const last = merged.at(-1);
    if (last && span.from <= last.to)
      merged[merged.length - 1] = { from: last.from, to: Math.max(last.to, span.to) as Instant };
    else merged.push(span);
  }
  return merged;
}

/** All that lies in one of `a` and one of `b`. Both sorted and disjoint. */
export function intersection(a: readonly Span[], b: readonly Span[]): Span[] {
  const result: Span[] = [];
  let i = 0;
  let j = 0;
  while (i < a.length && j < b.length) {
    const both = common(a[i]!, b[j]!);
    if (both) result.push(both);
    if (a[i]!.to < b[j]!.to) i++;
    else j++;
  }
  return result;
}

/** What is left of `spans` without `hole`. */
export function without(spans: readonly Span[], hole: Span): Span[] {
  return spans.flatMap((span) =>
    [
      { from: span.from, to: Math.min(span.to, hole.from) as Instant },
      { from: Math.max(span.from, hole.to) as Instant, to: span.to },
    ].filter((part) => part.from < part.to),
  );
}
