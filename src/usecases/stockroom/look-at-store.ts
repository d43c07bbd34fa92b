import { type Person, writingOf } from '../../contracts/index.ts';
import { compileItemRule, storesOf } from '../../core/selection/index.ts';
import { itemWords, namesOf } from '../../core/sentence/index.ts';
import { seenBy } from '../people/index.ts';
import type { PlanBook } from '../ports/index.ts';

/** One store: where it belongs, and the ranges through which it carries what it carries. */
export interface StoreSheet {
  readonly name: string;
  readonly timeZone: string;
  readonly zone: string | null;
  readonly region: string | null;
  readonly groups: readonly string[];
  readonly terminals: readonly string[];
  readonly ranges: readonly {
    readonly id: string;
    readonly name: string;
    readonly items: number;
    readonly words: string;
  }[];
}

/** @returns null where there is no such store, or none for this person. */
export async function lookAtStore(
  ports: { book: PlanBook },
  person: Person,
  id: string,
): Promise<StoreSheet | null> {
  const { document, compiled } = await seenBy(ports.book, person);
  const store = compiled.stores.get(id);
  if (!store) return null;
  const names = namesOf(document, writingOf(person));
  const isIn = (rule: Parameters<typeof storesOf>[0]) => storesOf(rule, compiled.plan).has(id);
  const ranges = (document.ranges ?? []).filter(({ stores }) => isIn(stores));
  return {
    name: store.name,
    timeZone: store.timeZone,
    zone: store.zone === undefined ? null : names.zone(store.zone),
    region: store.region ?? null,
    groups: (document.storeGroups ?? []).filter(({ rule }) => isIn(rule)).map(({ name }) => name),
    terminals: (document.terminals ?? []).filter((terminal) => terminal.store === id).map((one) => one.id),
    ranges: ranges.map(({ id: range, name, items }) => {
      const numbers = compileItemRule(items, compiled.catalogue, compiled.plan.currency).numbers();
      const count = numbers?.length ?? compiled.catalogue.items.length;
      return { id: range, name, items: count, words: itemWords(items, names) };
    }),
  };
}
