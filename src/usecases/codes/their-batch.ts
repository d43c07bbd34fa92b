import { done, failed, type Outcome, type Person } from '../../contracts/index.ts';
import { foreignTo } from '../plan/index.ts';
import type { CodeBatch, CodeStore, PlanBook, PromotionStore } from '../ports/index.ts';

export interface BatchPorts {
  readonly book: PlanBook;
  readonly promotions: PromotionStore;
  readonly codes: CodeStore;
}

/** A batch of a promotion that this person may change; of one that is gone it is anybody's who plans. */
export async function theirBatch(ports: BatchPorts, person: Person, id: number): Promise<Outcome<CodeBatch>> {
  const batch = await ports.codes.batch(id);
  if (!batch) return failed({ kind: 'not-found', what: `batch ${id}` });
  const found = await ports.promotions.find(batch.promotion);
  const foreign = found && (await foreignTo(ports, person, found));
  return foreign ?? done(batch);
}
