import { eq, sql } from 'drizzle-orm';
import type { Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { tellServers } from './channels.ts';

/** The plan changed after it was looked at; the transaction is undone. */
export class PlanMovedOn extends Error {}

/**
 * Raises the version that caches are checked by, and tells every server when the transaction commits.
 * @param from the version that the change was checked against; absent: whatever stands.
 * @throws PlanMovedOn where another version stands by now.
 */
export async function raisePlanVersion(tx: Transaction, from?: number): Promise<number> {
  const [row] = await tx
    .update(t.chain)
    .set({ planVersion: sql`${t.chain.planVersion} + 1` })
    .where(from === undefined ? undefined : eq(t.chain.planVersion, from))
    .returning({ version: t.chain.planVersion });
  if (!row) throw new PlanMovedOn();
  await tellServers(tx, 'plan', row.version);
  return row.version;
}

/** The version that stands, for an entry in the trail that changes no plan; 0 before there is one. */
export async function planVersionOf(tx: Transaction): Promise<number> {
  const [row] = await tx.select({ version: t.chain.planVersion }).from(t.chain);
  return row?.version ?? 0;
}
