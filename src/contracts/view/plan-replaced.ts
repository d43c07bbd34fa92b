interface Counts {
  readonly items: number;
  readonly stores: number;
  readonly promotions: number;
}

/** A document that became the whole plan, or would. */
export interface PlanReplaced extends Counts {
  readonly ok: true;
  /** The version that it replaces. */
  readonly planVersion: number;
  /** What the plan had before. */
  readonly were: Counts;
}
