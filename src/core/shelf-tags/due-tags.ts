import { dayNumber } from '../calendar/index.ts';
import type { CompiledPlan } from '../price-book/index.ts';
import { editionsOf, NONE_HANGS } from './edition.ts';
import { openingOf } from './opening.ts';
import type { TagsAsked } from './shelf-tags.ts';
import { standingsAt } from './standing.ts';
import { whatHung } from './what-hung.ts';

/**
 * What a store has to do at its shelves for a day, without the words: of each item whose tag must be hung anew the
 * edition that then hangs, of each whose tag must come off {@link NONE_HANGS}. The same items as of `tagsOfDay`.
 */
export function dueTags(
  compiled: CompiledPlan,
  { store, day, hungBy = compiled }: Omit<TagsAsked, 'which'>,
): ReadonlyMap<string, string> {
  const after = { compiled, at: openingOf(compiled, store, day) };
  const now = standingsAt(compiled, store, after.at);
  const hung = whatHung(hungBy, after, store, dayNumber(day - 1));
  const editionOf = editionsOf(compiled);
  const due = new Map<string, string>();
  compiled.catalogue.items.forEach((item, index) => {
    if (!hung.mayDiffer(index, item)) return;
    const [standing, before] = [now(index), hung.before(item.sku)];
    if (!standing && before) due.set(item.sku, NONE_HANGS);
    else if (standing && hung.isOther(item, before, standing)) due.set(item.sku, editionOf(item, standing));
  });
  for (const { sku } of hungBy === compiled ? [] : hungBy.catalogue.items)
    if (!compiled.catalogue.indexOf.has(sku) && hung.before(sku)) due.set(sku, NONE_HANGS);
  return due;
}
