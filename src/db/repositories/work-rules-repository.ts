import type { WorkRulesStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

export function workRulesRepository(db: Database): WorkRulesStore {
  return {
    async current() {
      const [row] = await db
        .select({ another: t.chain.approvalByAnother, stockroom: t.chain.approvalOfStockroom })
        .from(t.chain);
      return row ?? { another: true, stockroom: true };
    },
    set: ({ another, stockroom }, person) =>
      db.transaction(async (tx) => {
        await tx.update(t.chain).set({ approvalByAnother: another, approvalOfStockroom: stockroom });
        await tx.insert(t.auditEntry).values({
          person,
          action: 'changed',
          subjectKind: 'work rules',
          subject: 'chain',
          after: { another, stockroom },
          planVersion: await planVersionOf(tx),
        });
      }),
  };
}
