import { formatMoment, type Instant } from '../src/core/calendar/index.ts';
import { groupOfCard } from '../src/core/cards/index.ts';
import { formatAmount, type MinorUnits } from '../src/core/money/index.ts';
import { readPlan } from '../src/core/plan/index.ts';
import { type CompiledPlan, compile, priceAt } from '../src/core/price-book/index.ts';
import type { PriceFileContent } from '../src/core/price-file/index.ts';
import { codesToVouch, type VouchedCodes } from '../src/core/receipt/index.ts';
import { GUEST } from '../src/core/tag-price/index.ts';
import { type BasketAnswer, ringWhole, type TillPlace } from './ring-basket.ts';

export interface Rung {
  readonly at: string;
  readonly sku: string;
  readonly name: string | null;
  readonly price: string | null;
  readonly regular: string | null;
  readonly promotion: string | null;
  /** Its name for shoppers, else for colleagues. */
  readonly promotionName: string | null;
  readonly problem: string | null;
}

/** Rings items and whole baskets from price files alone: no network, the same core as everywhere. */
export interface Ringer {
  /** Why nothing could be rung from a price file; null where all is well with it. */
  faultOf(content: string): string | null;
  ring(
    content: string,
    question: { store: string; code: string; at: Instant; group: string | null; terminal: string },
  ): Rung;
  /** A whole basket in the open format, without what the till itself knows. */
  basket(content: string, place: TillPlace, raw: unknown, vouched: VouchedCodes): BasketAnswer;
  /** The kinds of shopper that a price file knows. */
  kindsOf(content: string): ReadonlySet<string>;
  /** The kind of shopper whose cards are numbered so; null: none. */
  groupOfCard(content: string, card: string): string | null;
  /** Codes of a basket of which a price file does not say what they are. */
  codesToVouch(content: string, raw: unknown): readonly string[];
}

/** Compiled price files kept in memory at once; the many tills of one process share those of their store. */
const KEPT = 6;

/** More of them no basket may carry. */
const MOST_CODES = 100;

export function ringer(): Ringer {
  const kept = new Map<string, CompiledPlan>();
  const compiledOf = (content: string): CompiledPlan => {
    const known = kept.get(content);
    if (known) return known;
    const compiled = read(content);
    if (kept.size >= KEPT) kept.delete(kept.keys().next().value!);
    kept.set(content, compiled);
    return compiled;
  };
  return {
    faultOf(content) {
      try {
        read(content);
        return null;
      } catch (error) {
        return `the price file cannot be read (${(error as Error).message})`;
      }
    },
    basket: (content, place, raw, vouched) => ringWhole(compiledOf(content), place, raw, vouched),
    kindsOf: (content) => new Set(compiledOf(content).plan.shopperGroups.map(({ id }) => id)),
    groupOfCard: (content, card) => groupOfCard(compiledOf(content).plan.shopperGroups, card),
    codesToVouch(content, raw) {
      const { codes } = (raw ?? {}) as { codes?: unknown };
      const said = Array.isArray(codes)
        ? codes.filter((code) => typeof code === 'string' && code !== '')
        : [];
      return codesToVouch(compiledOf(content).plan.promotions, said.slice(0, MOST_CODES));
    },
    ring(content, { store, code, at, group, terminal }) {
      const compiled = compiledOf(content);
      const item = compiled.plan.items.find(({ sku, gtin }) => sku === code || gtin === code);
      const when = formatMoment(at, compiled.clockOf(compiled.stores.get(store)!));
      const none = {
        at: when,
        sku: item?.sku ?? code,
        name: item?.name ?? null,
        price: null,
        regular: null,
        promotion: null,
        promotionName: null,
      };
      if (!item) return { ...none, problem: 'not-carried' };
      const shopper = group === null ? GUEST : ({ kind: 'shopper', id: null, groups: [group] } as const);
      const answer = priceAt(compiled, { sku: item.sku, store, at, shopper, terminal });
      if (answer.kind === 'problem') return { ...none, problem: answer.problem };
      const money = (amount: MinorUnits) => formatAmount(amount, compiled.plan.currency);
      return {
        ...none,
        price: money(answer.price),
        regular: money(answer.regular.price),
        promotion: answer.winner?.promotion ?? null,
        promotionName: nameOf(compiled, answer.winner?.promotion),
        problem: null,
      };
    },
  };
}

/** What was signed was tested by who signed it; here it is only read. */
const read = (content: string): CompiledPlan =>
  compile(readPlan((JSON.parse(content) as PriceFileContent).plan));

function nameOf({ plan }: CompiledPlan, id: string | undefined): string | null {
  const promotion = plan.promotions.find((one) => one.id === id);
  return promotion ? (promotion.label.default ?? promotion.name) : null;
}
