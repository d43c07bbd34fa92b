import { dayOf, type Instant } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { Item, StoreDocument } from '../plan/index.ts';
import {
  basePrice,
  isRetired,
  type LostReason,
  type PriceAnswer,
  type PriceProblem,
  type RegularPrice,
  regularPrice,
  type Shopper,
  type Starting,
  tagPrice,
} from '../tag-price/index.ts';
import { barOf, DEFAULT_CHANNEL, type Situation } from './bar.ts';
import type { CompiledChange, CompiledPlan } from './compiled-plan.ts';
import { linePrice } from './line-price.ts';

export interface PriceQuestion {
  readonly sku: string;
  readonly store: string;
  readonly at: Instant;
  readonly shopper: Shopper;
  /** Absent: the till. */
  readonly channel?: string;
  readonly terminal?: string;
}

/** The price of one item at one store and instant for one kind of shopper, with its whole story (pricing rules 3). */
export function priceAt(compiled: CompiledPlan, question: PriceQuestion): PriceAnswer {
  const store = compiled.stores.get(question.store);
  const index = compiled.catalogue.indexOf.get(question.sku);
  if (!store || index === undefined)
    return { kind: 'problem', problem: store ? 'unknown-item' : 'unknown-store' };
  const situation = situationOf(compiled, store, question);
  return answer(compiled, index, situation, (change) => barOf(change, situation));
}

/** Prices of many items in one situation: what does not depend on the item is asked once, and so is every item. */
export function pricesIn(compiled: CompiledPlan, situation: Situation): (index: number) => PriceAnswer {
  const bars = new Map<CompiledChange, LostReason | null>();
  const bar = (change: CompiledChange): LostReason | null => {
    let found = bars.get(change);
    if (found === undefined) {
      found = barOf(change, situation);
      bars.set(change, found);
    }
    return found;
  };
  const answers = new Map<number, PriceAnswer>();
  return (index) => {
    const known = answers.get(index);
    if (known) return known;
    const found = answer(compiled, index, situation, bar);
    answers.set(index, found);
    return found;
  };
}

export function situationOf(
  compiled: CompiledPlan,
  store: StoreDocument,
  question: Pick<PriceQuestion, 'at' | 'shopper' | 'channel' | 'terminal'>,
): Situation {
  const terminal = compiled.plan.terminals.find(({ id }) => id === question.terminal);
  return {
    store,
    clock: compiled.clockOf(store),
    at: question.at,
    shopper: question.shopper,
    channel: question.channel ?? DEFAULT_CHANNEL,
    terminal: terminal ? [terminal.id, ...(terminal.tags ?? [])] : [],
  };
}

/** The regular price of an item in a situation, or why it cannot be sold there and then. */
export function sellable(
  compiled: CompiledPlan,
  situation: Situation,
  index: number,
): RegularPrice | PriceProblem {
  if (compiled.catalogue.isParent(index)) return 'parent';
  const day = dayOf(situation.clock.toWall(situation.at));
  const item = compiled.catalogue.items[index]!;
  if (isRetired(item, day)) return 'retired';
  const regular = regularPrice(item, situation.store, day);
  if (!compiled.carries(situation.store.id, index, regular?.price ?? null)) return 'not-carried';
  return regular ?? 'no-price';
}

/** @param changes those that may concern it. */
export function answer(
  compiled: CompiledPlan,
  index: number,
  situation: Situation,
  bar: (change: CompiledChange) => LostReason | null,
  changes: readonly CompiledChange[] = compiled.changes,
): PriceAnswer {
  const regular = sellable(compiled, situation, index);
  if (typeof regular === 'string') return { kind: 'problem', problem: regular };
  const item = compiled.catalogue.items[index]!;
  const base = basePrice(compiled.listsOf(situation.shopper), item.sku, regular.price);
  const concerning = changes
    .filter((change) => change.selection().has(index, regular.price))
    .map((change) => ({ promotion: change.promotion, bar: bar(change) }));
  return tagPrice(
    regular,
    base,
    startingOf(compiled, item, situation.store, { regular: regular.price, base: base.price }),
    concerning,
    compiled.order,
  );
}

export function startingOf(
  compiled: CompiledPlan,
  item: Item,
  store: StoreDocument,
  { regular, base }: { readonly regular: MinorUnits; readonly base: MinorUnits },
): Starting {
  return {
    item,
    regular,
    base,
    priceLists: compiled.priceLists,
    linePrice: (change, of) => linePrice(change, of, store, compiled.catalogue),
  };
}
