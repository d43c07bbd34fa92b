import type { PlanDocument } from '../../core/plan/index.ts';

/** Port: the whole plan, in one transaction. */
export interface PlanWriter {
  /** Writes it where there is none yet. @returns false where there is one. */
  begin(document: PlanDocument, person: string): Promise<boolean>;
  /** @param expected the version that is replaced; absent: whatever stands. @returns false where another one stands. */
  replace(document: PlanDocument, person: string, expected?: number): Promise<boolean>;
}
