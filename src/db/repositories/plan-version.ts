import { sql } from 'drizzle-orm';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';

export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** The channel on which every server hears that the plan has changed. */
export const PLAN_CHANGED = 'plan_changed';

/** Raises the version that caches are checked by, and tells every server when the transaction commits. */
export async function raisePlanVersion(tx: Transaction): Promise<number> {
  const [row] = await tx
    .update(t.chain)
    .set({ planVersion: sql`${t.chain.planVersion} + 1` })
    .returning({ version: t.chain.planVersion });
  await tx.execute(sql`select pg_notify(${PLAN_CHANGED}, ${String(row!.version)})`);
  return row!.version;
}
