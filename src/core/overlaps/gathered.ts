import { FOREVER, type Instant, type Span } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import type { Finding } from './finding.ts';

/** Goods and stores of one finding, put together place by place. */
export interface Gathered {
  readonly items: Set<number>;
  readonly stores: Set<string>;
  from: number;
  to: number;
  amount: number | null;
}

export const gathered = (): Gathered => ({
  items: new Set(),
  stores: new Set(),
  from: FOREVER,
  to: 0,
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
  for (const index of items) into.items.add(index);
  for (const store of stores) into.stores.add(store);
  for (const { from, to } of spans) {
    into.from = Math.min(into.from, from);
    into.to = Math.max(into.to, to);
  }
  if (amount !== null) into.amount = Math.max(into.amount ?? 0, amount);
}

export interface ToldAs {
  readonly code: Finding['code'];
  readonly promotions: readonly string[];
  /** Whether one of them has no end, so that neither has this. */
  readonly open?: boolean;
  readonly part?: Finding['part'];
}

/** What was gathered as a finding; none where nothing was. */
export function told(
  { plan, catalogue }: CompiledPlan,
  { items, stores, from, to, amount }: Gathered,
  { open = false, part, ...of }: ToldAs,
): Finding[] {
  if (stores.size === 0) return [];
  return [
    {
      ...of,
      items: [...items].map((index) => catalogue.items[index]!.sku).sort(),
      stores: plan.stores.map(({ id }) => id).filter((id) => stores.has(id)),
      from: from as Instant,
      to: open ? null : (to as Instant),
      amount: amount as MinorUnits | null,
      ...(part ? { part } : {}),
    },
  ];
}
