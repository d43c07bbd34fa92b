import { FOREVER, type Instant, type Span } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { Finding } from './finding.ts';

/** Goods and stores of one finding, put together place by place. */
export interface Gathered {
  readonly items: Set<number>;
  readonly stores: Set<string>;
  /** From when to when, by one of the stores of each place. */
  readonly spans: Map<string, { from: number; to: number }>;
  amount: number | null;
}

export const gathered = (): Gathered => ({
  items: new Set(),
  stores: new Set(),
  spans: new Map(),
  amount: null,
});

/** @param amount of several the largest is told. */
export function gather(
  into: Gathered,
  items: Iterable<number>,
  stores: Iterable<string>,
  spans: readonly Span[],
  amount: number | null = null,
): void {
  const [first] = stores;
  if (first === undefined) return;
  for (const index of items) into.items.add(index);
  for (const store of stores) into.stores.add(store);
  const span = into.spans.get(first) ?? { from: FOREVER, to: 0 };
  for (const { from, to } of spans) {
    span.from = Math.min(span.from, from);
    span.to = Math.max(span.to, to);
  }
  into.spans.set(first, span);
  if (amount !== null) into.amount = Math.max(into.amount ?? 0, amount);
}

/** When the last of it ends, by whatever clock. */
export const lastOf = ({ spans }: Gathered): number =>
  Math.max(0, ...[...spans.values()].map(({ to }) => to));

export interface ToldAs {
  readonly code: Finding['code'];
  readonly promotions: readonly string[];
  /** Whether one of them has no end, so that neither has this. */
  readonly open?: boolean;
  readonly part?: Finding['part'];
}

/** What was gathered as a finding; none where nothing was. */
export function told(
  { plan, catalogue, stores: byId }: CompiledPlan,
  { items, stores, spans, amount }: Gathered,
  { open = false, part, ...of }: ToldAs,
): Finding[] {
  if (stores.size === 0) return [];
  const ordered = plan.stores.map(({ id }) => id).filter((id) => stores.has(id));
  // Told by the clock of the first store: in other zones it is the same hour by theirs.
  const { timeZone } = byId.get(ordered[0]!)!;
  const there = [...spans].flatMap(([id, span]) => (byId.get(id)!.timeZone === timeZone ? [span] : []));
  return [
    {
      ...of,
      items: [...items].map((index) => catalogue.items[index]!.sku).sort(),
      stores: ordered,
      from: Math.min(...there.map(({ from }) => from)) as Instant,
      to: open ? null : (Math.max(...there.map(({ to }) => to)) as Instant),
      amount: amount as MinorUnits | null,
      ...(part ? { part } : {}),
    },
  ];
}
