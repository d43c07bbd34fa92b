import {
  done,
  failed,
  invalid,
  type Outcome,
  type Person,
  type SelectionView,
  sees,
  shape,
} from '../../contracts/index.ts';
import { itemRule, storeRule } from '../../contracts/plan-rules.ts';
import { DAY, dayOf, type Instant, parseMoment } from '../../core/calendar/index.ts';
import { currencyOf, formatAmount, type MinorUnits } from '../../core/money/index.ts';
import {
  checkContext,
  checkItemRule,
  checkStoreRule,
  type Fault,
  type ItemRule,
  type StoreRule,
} from '../../core/plan/index.ts';
import { compileItemRule, storesOf } from '../../core/selection/index.ts';
import { isRetired, regularPrice } from '../../core/tag-price/index.ts';
import { seenBy } from '../people/index.ts';
import type { CurrentPlan, PlanBook } from '../ports/index.ts';

/** How many of the selected are listed. */
const LISTED = 200;
const WEEK = 7 * DAY;

export interface Looking {
  readonly store: string;
  readonly at: Instant;
}

/** The store and the moment that a page looks at, out of its address; the first store and now where it says nothing. */
export async function resolveLooking(
  ports: { book: PlanBook },
  person: Person,
  asked: { store?: string; at?: string },
  now: Instant,
): Promise<Outcome<Looking>> {
  const { compiled } = await seenBy(ports.book, person);
  const seen = compiled.plan.stores.find(
    ({ id }) => sees(person, id) && (asked.store === undefined || id === asked.store),
  );
  if (!seen) return failed({ kind: 'not-found', what: `store ${asked.store ?? ''} for you` });
  const at = asked.at === undefined ? now : parseMoment(asked.at, compiled.clockOf(seen));
  return at === null
    ? invalid(['at'], `"${asked.at}" is no moment`, 'a wall time such as 2027-03-01T09:00')
    : done({ store: seen.id, at });
}

/** The items that a rule selects at a store and moment, as numbers in the catalogue; parents are not sold and left out. */
export function selectedIndexes(
  { compiled }: CurrentPlan,
  rule: ItemRule,
  { store: id, at }: Looking,
): number[] {
  const store = compiled.stores.get(id)!;
  const day = dayOf(compiled.clockOf(store).toWall(at));
  const selection = compileItemRule(rule, compiled.catalogue, compiled.plan.currency);
  return compiled.catalogue.items.flatMap((item, index) => {
    if (compiled.catalogue.isParent(index) || isRetired(item, day)) return [];
    return selection.has(index, regularPrice(item, store, day)?.price ?? null) ? [index] : [];
  });
}

export const selectedItems = (current: CurrentPlan, rule: ItemRule, looking: Looking) =>
  selectedIndexes(current, rule, looking).map((index) => current.compiled.catalogue.items[index]!);

function checked<R>(
  raw: unknown,
  current: CurrentPlan,
  schema: typeof itemRule,
  check: (rule: R, path: Fault['path'], context: ReturnType<typeof checkContext>) => void,
): Outcome<R> {
  const shaped = shape<R>(schema as never, raw);
  if (!shaped.ok) return { ok: false, failure: { kind: 'invalid', faults: shaped.faults } };
  const faults: Fault[] = [];
  check(
    shaped.value,
    ['rule'],
    checkContext(current.document, currencyOf(current.document.currency)!, faults),
  );
  return faults.length > 0 ? { ok: false, failure: { kind: 'invalid', faults } } : done(shaped.value);
}

/** A rule on items out of anything, with every name in it known. */
export const readItemRule = (raw: unknown, current: CurrentPlan): Outcome<ItemRule> =>
  checked<ItemRule>(raw, current, itemRule, checkItemRule);

const readStoreRule = (raw: unknown, current: CurrentPlan): Outcome<StoreRule> =>
  checked<StoreRule>(raw, current, storeRule, checkStoreRule);

/** What a rule selects now, and what would be different in a week. */
export async function lookAtSelection(
  ports: { book: PlanBook },
  person: Person,
  input: { of: 'items' | 'stores'; rule: unknown; text: string } & Looking,
): Promise<Outcome<SelectionView>> {
  const current = await seenBy(ports.book, person);
  if (input.of === 'stores') {
    const read = readStoreRule(input.rule, current);
    return read.ok ? done(storesChosen(current, person, read.value, input.text)) : read;
  }
  const read = readItemRule(input.rule, current);
  return read.ok ? done(itemsChosen(current, read.value, input)) : read;
}

function itemsChosen(
  current: CurrentPlan,
  rule: ItemRule,
  looking: Looking & { text: string },
): SelectionView {
  const { compiled } = current;
  const store = compiled.stores.get(looking.store)!;
  const day = dayOf(compiled.clockOf(store).toWall(looking.at));
  const now = selectedIndexes(current, rule, looking);
  const then = selectedIndexes(current, rule, { ...looking, at: (looking.at + WEEK) as Instant });
  const described = (index: number) => {
    const item = compiled.catalogue.items[index]!;
    const price = regularPrice(item, store, day)?.price;
    return {
      id: item.sku,
      name: item.name,
      note: price === undefined ? '' : formatAmount(price as MinorUnits, compiled.plan.currency),
    };
  };
  const carried = now.filter((index) => {
    const price = regularPrice(compiled.catalogue.items[index]!, store, day)?.price ?? null;
    return compiled.carries(store.id, index, price);
  }).length;
  const words = looking.text.toLowerCase();
  const found = words === '' ? now : now.filter((index) => textOf(described(index)).includes(words));
  return {
    count: now.length,
    carriedHere: carried,
    listed: found.slice(0, LISTED).map(described),
    found: found.length,
    nextWeek: {
      count: then.length,
      joining: without(then, now).slice(0, LISTED).map(described),
      leaving: without(now, then).slice(0, LISTED).map(described),
    },
    emptyParts: emptyParts(rule, (part) => selectedIndexes(current, part, looking).length),
  };
}

const textOf = ({ id, name }: { id: string; name: string }) => `${id} ${name}`.toLowerCase();
const without = (list: readonly number[], others: readonly number[]): number[] => {
  const there = new Set(others);
  return list.filter((one) => !there.has(one));
};

function storesChosen(current: CurrentPlan, person: Person, rule: StoreRule, text: string): SelectionView {
  const { compiled } = current;
  const chosen = storesOf(rule, compiled.plan);
  const stores = compiled.plan.stores
    .filter(({ id }) => chosen.has(id) && sees(person, id))
    .map(({ id, name, region }) => ({ id, name, note: region ?? '' }));
  const found = stores.filter((store) => textOf(store).includes(text.toLowerCase()));
  return {
    count: stores.length,
    carriedHere: null,
    listed: found.slice(0, LISTED),
    found: found.length,
    nextWeek: null,
    emptyParts: emptyParts(rule, (part) => storesOf(part, compiled.plan).size),
  };
}

/** Parts that select nothing by themselves: a brand that is gone, a tag that was never given. */
function emptyParts<R extends ItemRule | StoreRule>(rule: R, count: (part: R) => number): R[] {
  if ('allOf' in rule) return (rule.allOf as R[]).flatMap((part) => emptyParts(part, count));
  if ('anyOf' in rule) return (rule.anyOf as R[]).flatMap((part) => emptyParts(part, count));
  if ('not' in rule) return emptyParts(rule.not as R, count);
  return count(rule) === 0 ? [rule] : [];
}
