import type { PlanDocument } from '../../core/plan/index.ts';

/** Port: replaces the whole plan in one transaction. */
export interface PlanWriter {
  replace(document: PlanDocument, person: string): Promise<void>;
}
