import type { PromotionDocument } from '../../core/plan/index.ts';

/** What waits beside a promotion: a change of it, or its approval. */
export interface Proposal {
  /** What the promotion would become; null: it is a draft, and waits as it is. */
  readonly document: PromotionDocument | null;
  readonly writtenBy: string;
  /** Null: it was not submitted yet, or was sent back. */
  readonly submittedBy: string | null;
  /** ISO 8601, UTC. */
  readonly submittedAt: string | null;
  /** Who approved it first, where the house asks for two; null: nobody yet. */
  readonly approvedBy: string | null;
  /** Who sent it back, and why. */
  readonly returned: { readonly by: string; readonly reason: string } | null;
}

export interface StoredPromotion {
  readonly promotion: PromotionDocument;
  /** Null: nothing waits. */
  readonly proposal: Proposal | null;
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
  /** What waits from now on; absent: what waited before. */
  readonly proposal?: Proposal | null;
}

export interface SavedChange {
  readonly person: string;
  readonly action: string;
  /** What waits from now on; absent: what waited before. */
  readonly proposal?: Proposal | null;
}

export type SaveAllResult =
  | { readonly kind: 'saved' }
  /** The id of the first one that somebody else saved in between. */
  | { readonly kind: 'stale'; readonly id: string };

/** Port: promotions, each change of which raises the plan's version and leaves an audit entry. */
export interface PromotionStore {
  find(id: string): Promise<StoredPromotion | null>;
  all(): Promise<readonly StoredPromotion[]>;
  /**
   * Saves the promotion and what waits beside it. The plan stays at its version where only the latter differs.
   * @param revision the one that was opened; null: a new promotion.
   */
  save(promotion: PromotionDocument, revision: number | null, change: SavedChange): Promise<SaveResult>;
  /** All of them in one transaction, or none. */
  saveAll(changes: readonly PromotionSave[], person: string): Promise<SaveAllResult>;
  history(id: string): Promise<readonly HistoryEntry[]>;
}

export interface HistoryEntry {
  readonly id: number;
  readonly at: string;
  readonly personId: string | null;
  /** By name. */
  readonly person: string | null;
  readonly action: string;
  /** What the promotion was, and what it became or would become. */
  readonly before: PromotionDocument | null;
  readonly after: PromotionDocument | null;
}
