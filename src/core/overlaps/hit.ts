import type { Instant } from '../calendar/index.ts';
import type { CompiledChange } from '../price-book/index.ts';
import type { Finding } from './finding.ts';
import { type Gathered, gather, gathered, lastOf, told } from './gathered.ts';
import type { Scope } from './scope.ts';

/** Something that is wrong with the tag prices of some goods in some stores for a while. */
export interface Hit {
  /** The change that answers for it. */
  readonly owner: CompiledChange;
  readonly code: 'below-cost' | 'below-floor' | 'reduced-before';
  readonly promotions: readonly string[];
  /** Numbers of the items. */
  readonly goods: readonly number[];
  readonly stores: readonly string[];
  readonly from: Instant;
  readonly to: Instant;
  readonly amount: number;
}

/** Hits by the id of the change that answers for them. */
export type Hits = ReadonlyMap<string, readonly Hit[]>;

export interface HitList {
  add(hit: Hit): void;
  readonly hits: Hits;
}

export function hitList(): HitList {
  const hits = new Map<string, Hit[]>();
  return {
    hits,
    add(hit) {
      const { id } = hit.owner.promotion;
      const list = hits.get(id);
      if (list) list.push(hit);
      else hits.set(id, [hit]);
    },
  };
}

/** What is left of hits without some goods; the very list where none of them is in it. */
export function withoutGoods(hits: readonly Hit[], goods: ReadonlySet<number>): readonly Hit[] {
  const isIn = (index: number): boolean => goods.has(index);
  if (!hits.some((hit) => hit.goods.some(isIn))) return hits;
  return hits.flatMap((hit) => {
    if (!hit.goods.some(isIn)) return [hit];
    const left = hit.goods.filter((index) => !isIn(index));
    return left.length > 0 ? [{ ...hit, goods: left }] : [];
  });
}

/** What one change answers for, put together: one finding for each code, set of promotions and lowest price before. */
export function findingsOf({ compiled, span }: Scope, hits: readonly Hit[]): readonly Finding[] {
  const groups = new Map<string, { readonly hit: Hit; readonly all: Gathered }>();
  for (const hit of hits) {
    const { code, promotions, goods, stores, amount } = hit;
    const key = `${code} ${code === 'reduced-before' ? amount : ''} ${promotions.join('\n')}`;
    const group = groups.get(key) ?? { hit, all: gathered() };
    groups.set(key, group);
    gather(group.all, goods, stores, [hit], amount);
  }
  return [...groups.values()].flatMap(({ hit: { code, promotions, owner }, all }) =>
    told(compiled, all, {
      ...{ code, promotions },
      open: owner.promotion.when.to === null && lastOf(all) >= span.to,
    }),
  );
}
