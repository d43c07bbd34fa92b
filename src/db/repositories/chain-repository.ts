import type { ChainSettings, ChainStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { PlanMovedOn, raisePlanVersion } from './plan-version.ts';

export function chainRepository(db: Database): ChainStore {
  return {
    change: (settings, version, person) =>
      db
        .transaction(async (tx) => {
          const [row] = await tx.select().from(t.chain).for('update');
          const planVersion = await raisePlanVersion(tx, version);
          await tx.update(t.chain).set({
            name: settings.name,
            priceChangePolicy: settings.policy.priceChanges,
            basketPolicy: settings.policy.baskets,
            marginFloor: settings.policy.marginFloor ?? null,
          });
          await tx.insert(t.auditEntry).values({
            person,
            action: 'changed',
            subjectKind: 'chain',
            subject: 'chain',
            before: row && settingsOf(row),
            after: settings,
            planVersion,
          });
          return planVersion;
        })
        .catch((error: unknown) => {
          if (error instanceof PlanMovedOn) return null;
          throw error;
        }),
  };
}

const settingsOf = (row: typeof t.chain.$inferSelect): ChainSettings => ({
  name: row.name,
  policy: {
    priceChanges: row.priceChangePolicy,
    baskets: row.basketPolicy,
    ...(row.marginFloor === null ? {} : { marginFloor: row.marginFloor }),
  },
});
