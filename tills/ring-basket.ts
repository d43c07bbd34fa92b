import { type PaidBy, parseBasket } from '../src/contracts/index.ts';
import { formatMoment, type Instant } from '../src/core/calendar/index.ts';
import { formatAmount, minorUnits } from '../src/core/money/index.ts';
import { pictureOf } from '../src/core/offer/index.ts';
import { describeFault, type Promotion } from '../src/core/plan/index.ts';
import type { CompiledPlan } from '../src/core/price-book/index.ts';
import {
  type Basket,
  type BasketDocument,
  NONE_VOUCHED,
  type Receipt,
  type ReceiptDocument,
  receiptDocument,
  ringBasket,
  savedBy,
  type VouchedCodes,
  type WantedUse,
  wantedUses,
} from '../src/core/receipt/index.ts';

import type { ShownCard } from './shown-card.ts';

/** A basket as it is put before a till; the till itself says where and when. */
export type TillBasket = Omit<BasketDocument, 'store' | 'at' | 'terminal' | 'channel'> & {
  /** The number of a card that is held out. */
  readonly card?: string;
};

export interface RungBasket {
  readonly receipt: ReceiptDocument;
  /** By id: what shoppers read of each promotion of the file. */
  readonly labels: Readonly<Record<string, string>>;
  /** By language, then by id: the same where it is written in another language. */
  readonly labelsIn: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** By id: the picture of each promotion that has one. */
  readonly pictures: Readonly<Record<string, string>>;
  /** By line: its place in the basket, of which a limit in units makes several lines; null: a gift. */
  readonly of: readonly (number | null)[];
  /** By line: the price list that made its price; null: it is the public one. */
  readonly lists: readonly (string | null)[];
  /** Ids of promotions for its goods of which nothing is left. */
  readonly spent: readonly string[];
  /** By SKU. */
  readonly names: Readonly<Record<string, string>>;
  /** By code that was taken: what its promotions take off the receipt. */
  readonly brought: Readonly<Record<string, string>>;
  /** What it would use of what is limited, if it were paid. */
  readonly wanted: readonly WantedUse[];
  /** Whom it is for, and what it comes to; null: somebody who is not known. */
  readonly shopper: PaidBy | null;
  /** By id: how many receipts the till may give of a promotion by itself while it is cut off. */
  readonly cutOff: Readonly<Record<string, number>>;
}

export type BasketAnswer =
  | {
      readonly ok: true;
      readonly rung: RungBasket;
      /** By which it is paid or left standing. */
      readonly basket?: string;
      /** Whether its uses were counted with those of all other tills. */
      readonly counted?: boolean;
      /** What came of the card that was held out. */
      readonly card?: ShownCard;
    }
  | { readonly ok: false; readonly faults: readonly string[] };

/** Where and when a till rings. */
export interface TillPlace {
  readonly store: string;
  readonly terminal: string;
  readonly at: Instant;
}

/**
 * Rings a whole basket from a price file alone. A barcode does where a SKU is wanted.
 * @param vouched what is known of codes that the price file does not list.
 */
export function ringWhole(
  compiled: CompiledPlan,
  place: TillPlace,
  raw: unknown,
  vouched: VouchedCodes = NONE_VOUCHED,
): BasketAnswer {
  const { store, terminal } = place;
  const at = formatMoment(place.at, compiled.clockOf(compiled.stores.get(store)!));
  const asked = typeof raw === 'object' && raw !== null ? raw : {};
  const parsed = parseBasket({ ...withSkus(asked, compiled), store, terminal, at }, compiled);
  if (!parsed.ok) return { ok: false, faults: parsed.faults.map(describeFault) };
  const basket = { ...parsed.basket, vouched };
  const rung = ringBasket(compiled, basket);
  const receipt = receiptDocument(rung, compiled.plan.currency);
  const wanted = wantedUses(rung, basket, compiled);
  const { items, promotions } = compiled.plan;
  const named = new Set(receipt.lines.map(({ sku }) => sku));
  return {
    ok: true,
    rung: {
      receipt,
      labels: Object.fromEntries(promotions.map(({ id, label, name }) => [id, label.default ?? name])),
      labelsIn: labelsByLanguage(promotions),
      pictures: Object.fromEntries(
        promotions.flatMap(({ id, offer }) => {
          const picture = pictureOf(offer);
          return picture === null ? [] : [[id, picture]];
        }),
      ),
      of: rung.lines.map(({ of }) => of),
      lists: rung.lines.map(({ list }) => (list === null ? null : compiled.priceLists.get(list)!.name)),
      spent: rung.spent,
      names: Object.fromEntries(
        items.filter(({ sku }) => named.has(sku)).map(({ sku, name }) => [sku, name]),
      ),
      brought: broughtBy(rung, compiled),
      wanted,
      shopper: paidBy(basket, rung),
      cutOff: Object.fromEntries(
        promotions.flatMap(({ id, uses }) => (uses.cutOff > 0 ? [[id, uses.cutOff]] : [])),
      ),
    },
  };
}

const paidBy = ({ shopper }: Basket, { total }: Receipt): PaidBy | null =>
  shopper.kind === 'guest' || shopper.id === null ? null : { id: shopper.id, paid: total };

function labelsByLanguage(promotions: readonly Promotion[]): Record<string, Record<string, string>> {
  const all: Record<string, Record<string, string>> = {};
  for (const { id, label } of promotions)
    for (const [language, text] of Object.entries(label))
      if (language !== 'default') all[language] = { ...all[language], [id]: text };
  return all;
}

function broughtBy(receipt: Receipt, { plan: { currency } }: CompiledPlan): Record<string, string> {
  return Object.fromEntries(
    receipt.codes
      .filter(({ reason }) => reason === null)
      .map(({ code, opens }) => {
        const saved = opens.reduce((sum, id) => sum + savedBy(receipt, id), 0);
        return [code, formatAmount(minorUnits(saved), currency)];
      }),
  );
}

function withSkus(basket: { lines?: unknown }, { plan }: CompiledPlan): object {
  if (!Array.isArray(basket.lines)) return basket;
  const byCode = new Map(plan.items.flatMap(({ gtin, sku }) => (gtin === undefined ? [] : [[gtin, sku]])));
  const lines = basket.lines.map((line: { sku?: unknown } | null) => {
    const sku = byCode.get(String(line?.sku));
    return sku === undefined ? line : { ...line, sku };
  });
  return { ...basket, lines };
}
