import type { PromotionDocument } from '../../core/plan/index.ts';

/** What can be done to many promotions at once. */
export const MANY_ACTIONS = [
  'submit',
  'approve',
  'withdraw',
  'pause',
  'resume',
  'end-now',
  'archive',
  'move',
  'again',
] as const;
export type ManyAction = (typeof MANY_ACTIONS)[number];

/** What a promotion does at its first moment, in one store by name. */
export type SpanEffect =
  | { readonly kind: 'prices'; readonly up: number; readonly down: number; readonly store: string }
  | { readonly kind: 'basket'; readonly before: string; readonly after: string; readonly store: string };

export interface ManyEffect {
  readonly promotions: readonly {
    readonly id: string;
    readonly name: string;
    readonly status: PromotionDocument['status'];
    readonly from: string;
    readonly to: string | null;
    /** Whether it is of a kind that sets prices of single items. */
    readonly pricesNow: boolean;
    /** What is done waits beside it until it is approved. */
    readonly waits: boolean;
    /** A copy that begins where the first one ends, later than asked. */
    readonly cut: boolean;
    /** What it would do in its own span, where it gets another. */
    readonly span: SpanEffect | null;
  }[];
  /** What is left out, and why. */
  readonly left: readonly { readonly name: string; readonly why: string }[];
  /** Items and stores whose price of this moment would be another. */
  readonly items: number;
  readonly stores: number;
  /** Prices of an item in a store that would rise and fall. */
  readonly up: number;
  readonly down: number;
}

/** What a person was writing when they went away. */
export interface KeptDraft {
  readonly key: string;
  readonly draft: object;
  readonly revision: number | null;
  readonly updatedAt: string;
}

export interface TemplateView {
  readonly id: number;
  readonly name: string;
  readonly sentence: string;
  readonly promotion: PromotionDocument;
}
