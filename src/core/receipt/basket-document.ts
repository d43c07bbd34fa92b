import type { Money } from '../plan/index.ts';

/** A whole number of pieces, or the decimal quantity of a weighed item with at most three places. */
export type Quantity = number | string;

/** A basket as the open format has it (docs/plan-format.md). */
export interface BasketDocument {
  id?: string;
  store: string;
  /** Wall clock at the store. */
  at: string;
  channel?: string;
  terminal?: string;
  /**
   * Absent: a guest. A text names a shopper of the plan; else what is known of one, with the number of their card or account
   * as `id`, by which a limit for each shopper counts. One of the plan has what the plan says, where nothing else is said.
   */
  shopper?: string | { id?: string; groups?: string[]; pastOrders?: number; lifetimeSpend?: Money };
  codes?: string[];
  /** By promotion id, by "code:CODE", by "promotionId@shopper". */
  usesSoFar?: Record<string, number>;
  payment?: string;
  delivery?: { way: string; charge: Money };
  region?: string;
  postcode?: string;
  linkTag?: string;
  lines: { sku: string; quantity: Quantity }[];
}

/** What the till prints, and why (docs/plan-format.md). */
export interface ReceiptDocument {
  id?: string;
  currency: string;
  total: Money;
  goods: Money;
  saving: Money;
  proved: boolean;
  bound?: Money;
  lines: ReceiptLineDocument[];
  applications: {
    promotion: string;
    times: number;
    units: { line: number; quantity: number }[];
    saving: Money;
  }[];
  rewards: { promotion: string; measured: Money; amount: Money }[];
  delivery?: { way: string; charge: Money; net: Money; promotion?: string };
  codes: { code: string; accepted: boolean; reason?: string }[];
  nearly: { promotion: string; add: number; sku: string; saving: Money }[];
  problems: { line?: number; code: string; message: string }[];
}

export interface ReceiptLineDocument {
  sku: string;
  quantity: Quantity;
  /** For one piece or unit of measure. */
  regular: Money;
  /** What this shopper pays without a promotion; absent where that is the regular price and no price change sets another. */
  base?: Money;
  /** The promotion that set the tag, and those on top of it, in their order. */
  priceChange?: string;
  onTop?: string[];
  tag: Money;
  /** For the whole line. */
  net: Money;
  gift?: true;
  reductions: { promotion: string; units?: number; amount: Money }[];
}
