import type { Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

/** What was done with somebody, or with another program, as the trail tells it. */
export async function notePerson(
  tx: Transaction,
  subject: string,
  person: string,
  action: string,
  told: { before: unknown; after: unknown },
): Promise<void> {
  const planVersion = await planVersionOf(tx);
  await tx
    .insert(t.auditEntry)
    .values({ person, action, subjectKind: 'person', subject, ...told, planVersion });
}
