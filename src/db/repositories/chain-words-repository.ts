import type { ChainWordsStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

const NONE = { payments: [], deliveries: [], regions: [], linkTags: [] };

export function chainWordsRepository(db: Database): ChainWordsStore {
  return {
    async current() {
      const [row] = await db.select({ words: t.chain.words }).from(t.chain);
      return row?.words ?? NONE;
    },
    change: (change, person) =>
      db.transaction(async (tx) => {
        const [before] = await tx.select({ words: t.chain.words }).from(t.chain).for('update');
        const words = change(before?.words ?? NONE);
        if (!words) return;
        await tx.update(t.chain).set({ words });
        await tx.insert(t.auditEntry).values({
          person,
          action: 'changed',
          subjectKind: 'chain words',
          subject: 'chain',
          before: before?.words ?? null,
          after: words,
          planVersion: await planVersionOf(tx),
        });
      }),
  };
}
