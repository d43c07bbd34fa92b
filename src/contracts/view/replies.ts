import type { TermsOutlived } from '../../core/consequences/index.ts';
import type { BrokenRule } from '../../core/house-rules/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { Difference } from '../../core/sentence/index.ts';
import type { LostReason, PriceProblem } from '../../core/tag-price/index.ts';
import type { SheetLine } from '../../core/worksheet/index.ts';

/** What endpoints answer with. Amounts are decimal texts, moments are wall times at the store. */
export interface PromotionSummary {
  readonly id: string;
  readonly name: string;
  readonly status: PromotionDocument['status'];
  readonly kind: PromotionDocument['offer']['kind'];
  readonly sentence: string;
  readonly from: string;
  readonly to: string | null;
  readonly priority: number;
  readonly stores: number;
  readonly revision: number;
  /** Where what waits beside it stands; null: nothing waits. */
  readonly waiting: Waiting | null;
}

/** A change is being written, was submitted, or was sent back; a draft is submitted or was sent back. */
export interface Waiting {
  readonly state: 'written' | 'submitted' | 'sent-back';
  /** Whether it is a change of what stands; else a draft waits as it is. */
  readonly change: boolean;
  /** Who wrote or submitted it, by id. */
  readonly by: string;
  readonly reason: string | null;
  /** Who approved it first, where it takes two. */
  readonly first: 'you' | 'another' | null;
}

/** A promotion that was opened, with what waits beside it and what happened to it. */
export interface OpenedPromotion {
  readonly promotion: PromotionDocument;
  readonly revision: number;
  readonly waiting: Waiting | null;
  /** The change that waits: what it would become, and what it says otherwise. */
  readonly change: {
    readonly promotion: PromotionDocument;
    readonly sentence: string;
    readonly differences: readonly Difference[];
  } | null;
  readonly rules: { readonly another: boolean; readonly stockroom: boolean };
  /** Who holds it back from the terminals. */
  readonly heldBack: { readonly by: string; readonly at: string } | null;
  readonly history: readonly {
    readonly id: number;
    readonly at: string;
    /** By name; null: the set-up. */
    readonly person: string | null;
    readonly action: string;
    readonly differences: readonly Difference[];
    /** Whether that state of it can be opened. */
    readonly opens: boolean;
  }[];
}

/** How much of the time around a moment is looked at. */
export const AROUNDS = ['day', 'week', 'year'] as const;
export type Around = (typeof AROUNDS)[number];

export interface PriceStepView {
  readonly from: string;
  readonly to: string;
  readonly price: string | null;
  readonly promotion: { readonly id: string; readonly name: string } | null;
}

export interface PriceStory {
  readonly item: {
    readonly sku: string;
    readonly name: string;
    readonly unit: string;
    readonly gtin: string | null;
  };
  readonly store: { readonly id: string; readonly name: string; readonly timeZone: string };
  readonly at: string;
  readonly currency: string;
  readonly problem: PriceProblem | null;
  readonly price: string | null;
  readonly regular: {
    readonly price: string;
    readonly scope: 'store' | 'zone' | 'chain';
    readonly since: string | null;
  } | null;
  readonly base: { readonly price: string; readonly list: string | null } | null;
  readonly winner: {
    readonly id: string;
    readonly name: string;
    readonly sentence: string;
    readonly working: string;
    readonly changesNothing: boolean;
  } | null;
  readonly onTop: readonly {
    readonly id: string;
    readonly name: string;
    readonly before: string;
    readonly after: string;
  }[];
  readonly lost: readonly {
    readonly id: string;
    readonly name: string;
    readonly reason: LostReason;
    readonly result: string | null;
  }[];
  /** Promotions over the basket of whose goods it is; those that count come first. */
  readonly deals: readonly {
    readonly id: string;
    readonly name: string;
    readonly sentence: string;
    /** Why it does not count there and then; null where it does. */
    readonly reason: LostReason | null;
  }[];
  /** What one, two, three … of it come to with nothing else in the basket; empty where no deal counts. */
  readonly ladder: readonly {
    readonly quantity: number;
    readonly goods: string;
    readonly each: string;
    readonly deals: readonly { readonly id: string; readonly name: string }[];
  }[];
  /** Spans of one price around the moment. */
  readonly steps: readonly PriceStepView[];
  /** What comes after the price of the moment; null where it stays for more than a year. */
  readonly next: PriceStepView | null;
}

/** One item across stores, at the same hour of each store's own clock. */
export interface PriceAcross {
  readonly at: string;
  readonly prices: readonly {
    readonly price: string | null;
    readonly problem: PriceProblem | null;
    readonly promotion: { readonly id: string; readonly name: string } | null;
    readonly stores: readonly { readonly id: string; readonly name: string }[];
  }[];
}

export interface PreviewLine {
  readonly sku: string;
  readonly name: string;
  /** Where the next figures are from, where that is not the store that is looked at. */
  readonly elsewhere: { readonly id: string; readonly name: string } | null;
  readonly regular: string;
  readonly before: string;
  readonly after: string;
  readonly cost: string | null;
  /** Basis points of the price. */
  readonly margin: number | null;
  /** Hundredths: 160 is 1.6 times as many units. */
  readonly breakEven: number | null;
  readonly lost: LostReason | null;
  /** The new price over all stores, where it is not the same in all of them. */
  readonly range: { readonly low: string; readonly high: string } | null;
  /** The store with the lowest margin, where it is lower than here. */
  readonly worst: {
    readonly store: string;
    readonly name: string;
    /** Null: all of it is lost. */
    readonly margin: number | null;
  } | null;
}

/** Hours at which stores are shut: how many, and one of them by name. */
export interface ShutView {
  readonly what: 'end' | 'hours';
  readonly stores: number;
  readonly example: string;
}

/** What the house has to say of a draft. */
export interface HouseView {
  readonly shut: readonly ShutView[];
  readonly broken: readonly BrokenRule[];
  /** Two have to approve it, as it takes off more than this, in basis points; null: one is enough. */
  readonly two: number | null;
  /** Why it is not for who looks to change; null: it is. */
  readonly foreign: string | null;
}

export interface Preview {
  readonly sentence: string;
  readonly house: HouseView;
  readonly items: number;
  readonly stores: number;
  /** Items whose price changes in some store; the next three count so too. */
  readonly changed: number;
  readonly belowCost: number;
  readonly belowFloor: number;
  readonly raised: number;
  /** Items that it would make dearer and must not: they keep their price. */
  readonly kept: number;
  /** Items whose new price is not the same in all stores. */
  readonly differing: number;
  readonly lookedAt: { readonly store: string; readonly storeName: string; readonly at: string } | null;
  readonly meets: readonly {
    readonly id: string;
    readonly name: string;
    readonly priority: number;
    readonly items: number;
    readonly wins: boolean;
  }[];
  /** How far it runs on after its supplier terms; null where it does not. */
  readonly terms: TermsOutlived | null;
  /** The first ones; `items` says how many there are. */
  readonly lines: readonly PreviewLine[];
}

/** The lines of a worksheet before its passes are run; amounts in minor units, as the browser computes with them. */
export interface WorksheetView {
  readonly lookedAt: {
    readonly store: string;
    readonly storeName: string;
    readonly at: string;
    /** In how many stores. */
    readonly stores: number;
  } | null;
  /** The stores of the change, each with its zone. */
  readonly stores: readonly { readonly id: string; readonly zone: string | null }[];
  readonly lines: readonly SheetLine[];
  readonly elsewhere: readonly { readonly id: string; readonly name: string; readonly items: number }[];
  readonly unsold: readonly string[];
}

export interface StoreReview {
  readonly store: string;
  readonly name: string;
  readonly timeZone: string;
  readonly terminals: number;
  /** Nothing was sent to this store yet. */
  readonly first: boolean;
  readonly promotions: {
    readonly added: readonly string[];
    readonly changed: readonly string[];
    readonly gone: readonly string[];
  };
  readonly prices: { readonly added: number; readonly changed: number; readonly gone: number };
  readonly other: boolean;
  /** Sets, price lists and kinds of shopper among that, by name. */
  readonly named: readonly string[];
}

/** The price of an item in a store that becomes another. */
export interface ChangedPriceView {
  readonly sku: string;
  readonly name: string;
  /** The store's wall time at which the prices first differ; null: now. */
  readonly at: string | null;
  /** False: the price of those alone whom the promotion is for. */
  readonly guests: boolean;
  /** Null: not sold. */
  readonly before: string | null;
  readonly after: string | null;
  readonly percent: number | null;
  /** The promotions that make them, by name; none: a regular price. */
  readonly was: readonly string[];
  readonly by: readonly string[];
}

/** What a change that waits makes of what shoppers pay in one store, beside what is approved. */
export interface WaitingPrices {
  readonly store: string;
  readonly storeName: string;
  readonly total: number;
  /** The largest change first. */
  readonly prices: readonly ChangedPriceView[];
  /** Of a deal: baskets that show it, at what stands and at what would be. */
  readonly baskets: readonly { readonly words: string; readonly before: string; readonly after: string }[];
}

/** The prices of one store that are not those which it was sent, the largest change first. */
export interface StorePricesReview {
  readonly store: string;
  /** The number of the file that it was sent last; null: none. */
  readonly sent: number | null;
  readonly total: number;
  readonly prices: readonly ChangedPriceView[];
}

export interface SendReview {
  readonly planVersion: number;
  readonly stores: readonly StoreReview[];
  readonly unchanged: number;
  /** What is held back: the terminals keep what they have of it. */
  readonly held: readonly {
    readonly promotion: string;
    readonly by: string;
    /** ISO 8601, UTC. */
    readonly at: string;
    /** In how many stores something of it waits. */
    readonly stores: number;
  }[];
  readonly sentences: Readonly<Record<string, { readonly name: string; readonly sentence: string }>>;
}
