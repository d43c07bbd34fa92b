import type { ItemDocument } from '../src/core/plan/index.ts';
import type { HierarchyNode } from './hierarchy.ts';

export interface Priced {
  readonly sku: string;
  /** For the chain, in cents. */
  readonly price: number;
  readonly size: string;
}

/** What stands in one lowest place of the hierarchy and is sold by the piece. */
export interface Shelf {
  readonly node: HierarchyNode;
  readonly all: readonly Priced[];
  /** Goods of the commonest size whose prices lie together, rising: what a deal at one price is made of. */
  readonly middle: readonly Priced[];
}

/** The shelf of a lowest place, by its id. */
export type Shelves = (node: string) => Shelf;

/** Prices that lie this near together count as alike. */
const ALIKE = 1.15;

export function shelvesOf(nodes: readonly HierarchyNode[], items: readonly ItemDocument[]): Shelves {
  const sold = items.filter((item) => item.unit === undefined && item.prices.length > 0);
  return (id) => {
    const node = nodes.find((one) => one.id === id)!;
    const all = sold
      .filter((item) => item.node === id)
      .map(
        ({ sku, prices, attributes }): Priced => ({
          sku,
          price: Math.round(Number(prices[0]!.price) * 100),
          size: attributes?.size ?? '',
        }),
      );
    return { node, all, middle: alike(all) };
  };
}

function alike(all: readonly Priced[]): Priced[] {
  const sizes = [...new Set(all.map(({ size }) => size))];
  const bySize = sizes.map((size) => all.filter((one) => one.size === size));
  const most = bySize.toSorted((a, b) => b.length - a.length)[0] ?? [];
  const rising = most.toSorted((a, b) => a.price - b.price);
  const least = rising[Math.floor(rising.length / 3)]?.price ?? 0;
  return rising.filter(({ price }) => price >= least && price <= least * ALIKE);
}

export const cheapest = ({ all }: Shelf): string => all.toSorted((a, b) => a.price - b.price)[0]!.sku;

/** So many parts of what goods cost together, down to the next five cents. */
export function total(goods: readonly Priced[], part: number): string {
  const sum = goods.reduce((all, { price }) => all + price, 0) * part;
  return (Math.max(5, Math.floor(sum / 5) * 5) / 100).toFixed(2);
}
