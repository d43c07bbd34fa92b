import type { FindingMend } from './plan-finding.ts';

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Stores in which one search answers for all. */
export interface LoopholeCaseView {
  readonly stores: readonly Named[];
}

export interface LoopholeCases {
  readonly cases: readonly LoopholeCaseView[];
  /** Codes that count at that moment somewhere. */
  readonly codes: readonly string[];
}

/** A basket that leaves little or less than nothing. Amounts are decimal text. */
export interface LoopholeView {
  readonly margin: string;
  /** What is paid for its goods. */
  readonly goods: string;
  readonly cost: string;
  readonly units: number;
  readonly promotions: readonly Named[];
  readonly lines: readonly { readonly sku: string; readonly name: string; readonly quantity: number }[];
  readonly codes: readonly string[];
  /** Changes of one of its promotions after which it would leave more. */
  readonly mends: readonly FindingMend[];
  /** Whether it leaves less than nothing. */
  readonly loses: boolean;
}

export interface LoopholesView {
  readonly currency: string;
  /** What leaves least first. */
  readonly found: readonly LoopholeView[];
  readonly looked: {
    readonly units: number;
    /** No basket of at most so many units leaves less than the first one. */
    readonly proved: boolean;
    /** Else no basket leaves less than this. */
    readonly bound: string | null;
    readonly baskets: number;
  };
  /** Goods of the store that the search says nothing about. */
  readonly leftOut: { readonly withoutCost: number; readonly weighed: number };
}

/** A basket that loses money in the plan as it is approved, at a moment to come. */
export interface KeptLoophole {
  readonly store: Named;
  /** How many stores it comes about in alike, this one among them. */
  readonly stores: number;
  /** Wall time at the store. */
  readonly at: string;
  readonly loophole: LoopholeView;
}

export interface KeptLoopholes {
  readonly currency: string;
  /** Null: the plan was not searched yet since it changed. */
  readonly found: readonly KeptLoophole[] | null;
}
