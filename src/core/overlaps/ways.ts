import { needsCode } from '../plan/index.ts';
import type { CompiledChange, CompiledPlan } from '../price-book/index.ts';
import { isFor, type Shopper } from '../tag-price/index.ts';
import { kindsFor } from './kinds-of-shopper.ts';
import type { Scope } from './scope.ts';

/** A kind of shopper and a way to the till, by which tag prices are asked for. */
export interface Way {
  readonly shopper: Shopper;
  readonly channel: string | undefined;
  /** Ids and tags of which a terminal has one; null: no terminal is named. */
  readonly terminals: readonly string[] | null;
  /** The changes that are looked at by it: those that it leads to first. */
  readonly asking: ReadonlySet<CompiledChange>;
}

/** The ways by which the changes of a plan are looked at, each change by all kinds of shopper that it is for. */
export function waysOf(scope: Scope): readonly Way[] {
  const ways = new Map<string, Way & { readonly asking: Set<CompiledChange> }>();
  for (const shopper of scope.kinds)
    for (const change of scope.changes) {
      const { channels, terminals } = change.promotion;
      if (needsCode(change.promotion) || kindsFor([shopper], change.promotion).length === 0) continue;
      const channel = channels?.[0];
      const key = JSON.stringify([scope.kinds.indexOf(shopper), channel, terminals]);
      const way = ways.get(key) ?? { shopper, channel, terminals, asking: new Set() };
      way.asking.add(change);
      ways.set(key, way);
    }
  return [...ways.values()];
}

/** The first kind of shopper for whom both of two changes are. */
export const firstKindForBoth = (
  { kinds }: Scope,
  { promotion: a }: CompiledChange,
  { promotion: b }: CompiledChange,
): Shopper | undefined => kinds.find((shopper) => isFor(a.who, shopper) && isFor(b.who, shopper));

/**
 * The goods that are looked at by a way: those of the changes it leads to. What an earlier way has shown is left out,
 * where the other kind of shopper pays the same.
 * @param only numbers of the items that are looked at at all; absent: all.
 */
export function goodsOf(
  { compiled }: Scope,
  earlier: readonly Way[],
  way: Way,
  only?: ReadonlySet<number>,
): Int32Array {
  const shown = earlier.find(
    ({ channel, terminals }) =>
      channel === way.channel && JSON.stringify(terminals) === JSON.stringify(way.terminals),
  );
  const differs = shown && differing(compiled, shown.shopper, way.shopper);
  const asking = [...way.asking];
  return Int32Array.from(only ?? compiled.catalogue.items.keys())
    .filter(
      (index) => (differs?.(index) ?? true) && asking.some(({ selection }) => selection().mayHave(index)),
    )
    .sort();
}

/** Whether two kinds of shopper may pay another price for an item: by a change that is for one alone, or by a list. */
function differing(compiled: CompiledPlan, a: Shopper, b: Shopper): (index: number) => boolean {
  const apart = compiled.changes.filter(
    ({ promotion: { who, status } }) => status === 'approved' && isFor(who, a) !== isFor(who, b),
  );
  const lists = [...compiled.listsOf(a), ...compiled.listsOf(b)];
  return (index) => {
    const { sku } = compiled.catalogue.items[index]!;
    return (
      lists.some(({ percent, prices }) => percent !== null || prices.has(sku)) ||
      apart.some(({ selection }) => selection().mayHave(index))
    );
  };
}
