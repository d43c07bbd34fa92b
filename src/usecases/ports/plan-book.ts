import type { PlanDocument } from '../../core/plan/index.ts';
import type { CompiledPlan } from '../../core/price-book/index.ts';

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
