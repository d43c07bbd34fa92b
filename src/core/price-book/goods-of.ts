import type { CompiledPlan } from './compiled-plan.ts';

/** Numbers of the goods that a promotion may be about in some store. */
export function goodsOf({ changes, offers, catalogue }: CompiledPlan, id: string): ReadonlySet<number> {
  const change = changes.find(({ promotion }) => promotion.id === id);
  const offer = offers.find(({ promotion }) => promotion.id === id);
  const known = selected.get(change ?? offer ?? catalogue);
  if (known) return known;
  const parts = change ? [change.selection()] : (offer?.parts() ?? []);
  const goods = new Set(
    catalogue.items.flatMap((_, index) =>
      !catalogue.isParent(index) && parts.some((part) => part.mayHave(index)) ? [index] : [],
    ),
  );
  selected.set(change ?? offer ?? catalogue, goods);
  return goods;
}

const selected = new WeakMap<object, ReadonlySet<number>>();
