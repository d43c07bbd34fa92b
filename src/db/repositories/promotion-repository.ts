import { isDeepStrictEqual } from 'node:util';
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type {
  PromotionStore,
  Proposal,
  SavedChange,
  SaveResult,
  StoredPromotion,
} from '../../usecases/ports/index.ts';
import { codecs, fromRow, insertRows, referencesOf, toRow } from '../codecs/index.ts';
import type { Database, Transaction } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf, raisePlanVersion } from './plan-version.ts';
import { tellPrograms } from './tell-programs.ts';

export function promotionRepository(db: Database): PromotionStore {
  const store: PromotionStore = {
    find: (id) => findPromotion(db, id),
    all: () => allPromotions(db),
    save: (promotion, revision, change) => db.transaction((tx) => save(tx, promotion, revision, change)),
    async saveAll(changes, person) {
      try {
        await db.transaction(async (tx) => {
          for (const { promotion, revision, ...change } of changes) {
            const result = await save(tx, promotion, revision, { person, ...change });
            if (result.kind === 'stale') throw new Overtaken(promotion.id);
          }
        });
        return { kind: 'saved' };
      } catch (error) {
        if (error instanceof Overtaken) return { kind: 'stale', id: error.id };
        throw error;
      }
    },
    async history(id) {
      const rows = await db
        .select({
          id: t.auditEntry.id,
          at: t.auditEntry.at,
          personId: t.auditEntry.person,
          person: t.person.name,
          action: t.auditEntry.action,
          before: t.auditEntry.before,
          after: t.auditEntry.after,
        })
        .from(t.auditEntry)
        .leftJoin(t.person, eq(t.person.id, t.auditEntry.person))
        .where(
          and(inArray(t.auditEntry.subjectKind, ['promotion', 'proposal']), eq(t.auditEntry.subject, id)),
        )
        .orderBy(desc(t.auditEntry.id));
      return rows.map(({ before, after, ...row }) => ({
        ...row,
        at: row.at.toISOString(),
        before: before as PromotionDocument | null,
        after: after as PromotionDocument | null,
      }));
    },
  };
  return store;
}

/** Undoes the transaction of many saves. */
class Overtaken extends Error {
  constructor(readonly id: string) {
    super(id);
  }
}

type Reader = Pick<Database, 'select'>;

async function findPromotion(db: Reader, id: string): Promise<StoredPromotion | null> {
  const [row] = await db.select().from(t.promotion).where(eq(t.promotion.id, id));
  if (!row) return null;
  const codes = await db
    .select()
    .from(t.promotionCode)
    .where(eq(t.promotionCode.promotion, id))
    .orderBy(asc(t.promotionCode.code));
  const [waiting] = await db.select().from(t.proposal).where(eq(t.proposal.promotion, id));
  return stored(
    row,
    codes.map(({ code }) => code),
    waiting,
  );
}

async function allPromotions(db: Reader): Promise<StoredPromotion[]> {
  const codes = new Map<string, string[]>();
  for (const { promotion, code } of await db
    .select()
    .from(t.promotionCode)
    .orderBy(asc(t.promotionCode.code))) {
    codes.set(promotion, [...(codes.get(promotion) ?? []), code]);
  }
  const rows = await db.select().from(t.promotion).orderBy(asc(t.promotion.startsAt), asc(t.promotion.id));
  const waiting = new Map((await db.select().from(t.proposal)).map((one) => [one.promotion, one]));
  return rows.map((row) => stored(row, codes.get(row.id) ?? [], waiting.get(row.id)));
}

function stored(
  row: typeof t.promotion.$inferSelect,
  codes: readonly string[],
  waiting: typeof t.proposal.$inferSelect | undefined,
): StoredPromotion {
  return {
    promotion: fromRow(row, codes),
    proposal: waiting ? proposalOf(waiting) : null,
    revision: row.revision,
    updatedBy: row.updatedBy,
    updatedAt: row.updatedAt.toISOString(),
  };
}

async function save(
  tx: Transaction,
  promotion: PromotionDocument,
  revision: number | null,
  change: SavedChange,
): Promise<SaveResult> {
  const before = await findPromotion(tx, promotion.id);
  // The plan moves on only where the promotion itself does: what waits beside it prices nothing.
  const same = revision !== null && before !== null && isDeepStrictEqual(before.promotion, promotion);
  const touched = same ? {} : { updatedBy: change.person, updatedAt: new Date() };
  const row = { ...toRow(promotion), ...touched };
  const written =
    revision === null
      ? await tx
          .insert(t.promotion)
          .values({ ...row, createdBy: change.person })
          .onConflictDoNothing()
          .returning({ revision: t.promotion.revision })
      : await tx
          .update(t.promotion)
          .set({ ...row, revision: sql`${t.promotion.revision} + 1` })
          .where(and(eq(t.promotion.id, promotion.id), eq(t.promotion.revision, revision)))
          .returning({ revision: t.promotion.revision });
  if (written.length === 0) return { kind: 'stale', current: before };
  if (!same) await writeParts(tx, promotion);
  if (change.proposal !== undefined) await writeProposal(tx, promotion.id, change.proposal);
  const planVersion = same ? await planVersionOf(tx) : await raisePlanVersion(tx);
  const waiting = change.proposal?.document;
  const entry = {
    person: change.person,
    subject: promotion.id,
    before: before?.promotion ?? null,
    planVersion,
  };
  // A server that follows the plan takes what became of promotions from here: what waits is of another kind.
  if (!same)
    await tx.insert(t.auditEntry).values({
      ...entry,
      subjectKind: 'promotion',
      action: waiting ? 'words changed' : change.action,
      after: promotion,
    });
  if (!same && !waiting && change.action === 'approved')
    await tellPrograms(tx, {
      event: 'promotion.approved',
      at: new Date().toISOString(),
      promotion: promotion.id,
      by: change.person,
    });
  if (same || waiting)
    await tx.insert(t.auditEntry).values({
      ...entry,
      subjectKind: 'proposal',
      action: change.action,
      after: waiting ?? promotion,
    });
  return { kind: 'saved', revision: written[0]!.revision };
}

const proposalOf = (row: typeof t.proposal.$inferSelect): Proposal => ({
  document: row.document,
  writtenBy: row.writtenBy,
  submittedBy: row.submittedBy,
  submittedAt: row.submittedAt?.toISOString() ?? null,
  approvedBy: row.approvedBy,
  returned: row.returnedBy === null ? null : { by: row.returnedBy, reason: row.reason ?? '' },
});

async function writeProposal(tx: Transaction, id: string, proposal: Proposal | null): Promise<void> {
  await tx.delete(t.proposal).where(eq(t.proposal.promotion, id));
  if (!proposal) return;
  const { submittedAt, returned, ...rest } = proposal;
  await tx.insert(t.proposal).values({
    ...rest,
    promotion: id,
    submittedAt: submittedAt === null ? null : new Date(submittedAt),
    returnedBy: returned?.by ?? null,
    reason: returned?.reason ?? null,
  });
}

async function writeParts(tx: Transaction, promotion: PromotionDocument): Promise<void> {
  await tx.delete(t.promotionCode).where(eq(t.promotionCode.promotion, promotion.id));
  await tx.delete(t.ruleReference).where(eq(t.ruleReference.ofPromotion, promotion.id));
  const codes = (promotion.codes ?? []).map((code) => ({ promotion: promotion.id, code }));
  if (codes.length > 0) await tx.insert(t.promotionCode).values(codes);
  await insertRows(tx, t.ruleReference, referencesOf(codecs.promotions, [promotion]));
}
