import type { PlanDocument, PromotionDocument } from '../core/plan/index.ts';
import type { CompiledPlan } from '../core/price-book/index.ts';

/** The plan at a version, ready to answer. */
export interface CurrentPlan {
  readonly version: number;
  readonly document: PlanDocument;
  readonly compiled: CompiledPlan;
}

/** Port: the live plan. */
export interface PlanBook {
  current(): Promise<CurrentPlan>;
}

export interface StoredPromotion {
  readonly promotion: PromotionDocument;
  readonly revision: number;
  readonly updatedBy: string | null;
  readonly updatedAt: string;
}

export type SaveResult =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale'; readonly current: StoredPromotion | null };

export interface PromotionSave {
  readonly promotion: PromotionDocument;
  /** Null: a new one. */
  readonly revision: number | null;
  readonly action: string;
}

export type SaveAllResult =
  | { readonly kind: 'saved' }
  /** The id of the first one that somebody else saved in between. */
  | { readonly kind: 'stale'; readonly id: string };

/** Port: promotions, each change of which raises the plan's version and leaves an audit entry. */
export interface PromotionStore {
  find(id: string): Promise<StoredPromotion | null>;
  all(): Promise<readonly StoredPromotion[]>;
  /** @param revision the one that was opened; null: a new promotion. */
  save(
    promotion: PromotionDocument,
    revision: number | null,
    change: { person: string; action: string },
  ): Promise<SaveResult>;
  /** All of them in one transaction, or none. */
  saveAll(changes: readonly PromotionSave[], person: string): Promise<SaveAllResult>;
  history(id: string): Promise<readonly HistoryEntry[]>;
}

export interface HistoryEntry {
  readonly at: string;
  readonly person: string | null;
  readonly action: string;
}

/** Port: replaces the whole plan in one transaction. */
export interface PlanWriter {
  replace(document: PlanDocument, person: string): Promise<void>;
}
