import { isDeepStrictEqual } from 'node:util';
import {
  done,
  failed,
  invalid,
  isReservedId,
  may,
  type Outcome,
  type Person,
  promotionSchema,
  shape,
} from '../contracts/index.ts';
import { currencyOf } from '../core/money/index.ts';
import {
  checkContext,
  checkPromotion,
  type Fault,
  type PlanDocument,
  type PromotionDocument,
  type PromotionStatus,
} from '../core/plan/index.ts';
import type { PlanBook, PromotionStore, SaveResult } from './plan-store.ts';

/** Tests a raw promotion against the plan it shall belong to. */
export function readPromotionInput(raw: unknown, plan: PlanDocument): Outcome<PromotionDocument> {
  const shaped = shape<PromotionDocument>(promotionSchema, raw);
  if (!shaped.ok) return failed({ kind: 'invalid', faults: shaped.faults });
  const faults: Fault[] = [];
  checkPromotion(shaped.value, [], checkContext(plan, currencyOf(plan.currency)!, faults));
  return faults.length > 0 ? failed({ kind: 'invalid', faults }) : done(shaped.value);
}

/**
 * Saves a new promotion or a new state of one. Who saves does not approve: what was approved and is changed here by
 * somebody who may not approve becomes a draft again.
 */
export async function savePromotion(
  ports: { book: PlanBook; promotions: PromotionStore },
  person: Person,
  input: { promotion: unknown; revision: number | null },
): Promise<Outcome<{ revision: number }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const { document } = await ports.book.current();
  const read = readPromotionInput(input.promotion, document);
  if (!read.ok) return read;
  if (input.revision === null && isReservedId(read.value.id))
    return invalid(['id'], `"${read.value.id}" is the name of a page or an action`, 'another id');
  const before = input.revision === null ? null : await ports.promotions.find(read.value.id);
  const terms = before?.promotion.supplier;
  const promotion: PromotionDocument = {
    ...read.value,
    // Who is not shown the terms cannot have meant to take them away.
    ...(terms && !person.costs ? { supplier: terms } : {}),
    status: may(person, 'approve') ? read.value.status : 'draft',
  };
  const action = actionOf(before?.promotion ?? null, promotion);
  return saved(await ports.promotions.save(promotion, input.revision, { person: person.id, action }));
}

/** What is said of a new status, in the history of a promotion. */
export const STATUS_ACTIONS: Readonly<Record<PromotionStatus, string>> = {
  draft: 'withdrawn',
  approved: 'approved',
  paused: 'paused',
  archived: 'archived',
};

/** What was done to a promotion: "created", "changed", "approved", or "changed and approved". */
function actionOf(before: PromotionDocument | null, after: PromotionDocument): string {
  const from = before?.status ?? 'draft';
  const standing = from === after.status ? null : STATUS_ACTIONS[after.status];
  if (before && standing && isDeepStrictEqual({ ...before, status: after.status }, after)) return standing;
  return [before ? 'changed' : 'created', standing].filter(Boolean).join(' and ');
}

export function saved(result: SaveResult): Outcome<{ revision: number }> {
  if (result.kind === 'saved') return done({ revision: result.revision });
  const message = result.current
    ? 'Somebody saved this promotion after you opened it.'
    : 'This promotion is not there any more.';
  return failed({ kind: 'conflict', message, current: result.current ?? undefined });
}
