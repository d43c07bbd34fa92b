import { and, asc, desc, eq, sql } from 'drizzle-orm';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { PromotionStore, SaveResult, StoredPromotion } from '../../usecases/plan-store.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { raisePlanVersion, type Transaction } from './plan-version.ts';
import { fromRow, toRow } from './promotion-rows.ts';
import { promotionTargets } from './rule-targets.ts';

export function promotionRepository(db: Database): PromotionStore {
  const store: PromotionStore = {
    find: (id) => findPromotion(db, id),
    all: () => allPromotions(db),
    save: (promotion, revision, change) => db.transaction((tx) => save(tx, promotion, revision, change)),
    async saveAll(changes, person) {
      try {
        await db.transaction(async (tx) => {
          for (const { promotion, revision, action } of changes) {
            const result = await save(tx, promotion, revision, { person, action });
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
        .select({ at: t.auditEntry.at, person: t.person.name, action: t.auditEntry.action })
        .from(t.auditEntry)
        .leftJoin(t.person, eq(t.person.id, t.auditEntry.person))
        .where(and(eq(t.auditEntry.subjectKind, 'promotion'), eq(t.auditEntry.subject, id)))
        .orderBy(desc(t.auditEntry.id));
      return rows.map((row) => ({ ...row, at: row.at.toISOString() }));
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
  return stored(
    row,
    codes.map(({ code }) => code),
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
  return rows.map((row) => stored(row, codes.get(row.id) ?? []));
}

function stored(row: typeof t.promotion.$inferSelect, codes: readonly string[]): StoredPromotion {
  return {
    promotion: fromRow(row, codes),
    revision: row.revision,
    updatedBy: row.updatedBy,
    updatedAt: row.updatedAt.toISOString(),
  };
}

async function save(
  tx: Transaction,
  promotion: PromotionDocument,
  revision: number | null,
  change: { person: string; action: string },
): Promise<SaveResult> {
  const before = await findPromotion(tx, promotion.id);
  const row = { ...toRow(promotion), updatedBy: change.person, updatedAt: new Date() };
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
  await writeParts(tx, promotion);
  const planVersion = await raisePlanVersion(tx);
  await tx.insert(t.auditEntry).values({
    person: change.person,
    action: change.action,
    subjectKind: 'promotion',
    subject: promotion.id,
    before: before?.promotion ?? null,
    after: promotion,
    planVersion,
  });
  return { kind: 'saved', revision: written[0]!.revision };
}

async function writeParts(tx: Transaction, promotion: PromotionDocument): Promise<void> {
  await tx.delete(t.promotionCode).where(eq(t.promotionCode.promotion, promotion.id));
  await tx.delete(t.ruleReference).where(eq(t.ruleReference.ofPromotion, promotion.id));
  const codes = (promotion.codes ?? []).map((code) => ({ promotion: promotion.id, code }));
  if (codes.length > 0) await tx.insert(t.promotionCode).values(codes);
  const targets = promotionTargets(promotion).map((target) => ({ ofPromotion: promotion.id, ...target }));
  if (targets.length > 0) await tx.insert(t.ruleReference).values(targets);
}
