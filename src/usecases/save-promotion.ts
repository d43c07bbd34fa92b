import { done, failed, may, type Outcome, type Person, promotionSchema, shape } from '../contracts/index.ts';
import { currencyOf } from '../core/money/index.ts';
import {
  checkContext,
  checkPromotion,
  type Fault,
  type PlanDocument,
  type PromotionDocument,
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
  const promotion: PromotionDocument = {
    ...read.value,
    status: may(person, 'approve') ? read.value.status : 'draft',
  };
  const action = input.revision === null ? 'created' : 'changed';
  return saved(await ports.promotions.save(promotion, input.revision, { person: person.id, action }));
}

export function saved(result: SaveResult): Outcome<{ revision: number }> {
  if (result.kind === 'saved') return done({ revision: result.revision });
  const message = result.current
    ? 'Somebody saved this promotion after you opened it.'
    : 'This promotion is not there any more.';
  return failed({ kind: 'conflict', message, current: result.current ?? undefined });
}
