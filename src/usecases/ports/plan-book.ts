import type { Instant } from '../../core/calendar/index.ts';
import type { PlanDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';

/** The plan at a version, ready to answer. */
export interface CurrentPlan {
  readonly version: number;
  readonly document: PlanDocument;
  readonly compiled: CompiledPlan;
}

/** Port: the plan as it was. */
export interface PlanPast {
  /** The plan as it was known at a moment; null: nothing was known of it then, or what was is not on record. */
  known(at: Instant): Promise<CurrentPlan | null>;
  /** Since when it is on record; null: not at all. */
  since(): Promise<Instant | null>;
  /** Puts the whole plan on record where it never was, or so much was changed since that looking back would take long. */
  keep(): Promise<boolean>;
}

/** Port: the live plan. */
export interface PlanBook {
  current(): Promise<CurrentPlan>;
}
