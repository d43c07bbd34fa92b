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
} from '../../contracts/index.ts';
import { currencyOf } from '../../core/money/index.ts';
import {
  checkContext,
  checkPromotion,
  type Fault,
  type PlanDocument,
  type PromotionDocument,
  type PromotionStatus,
} from '../../core/plan/index.ts';
import { changesAtOnce, isStanding, notTheirs, pricesAlike, withFreeOf } from '../people/index.ts';
import type {
  PlanBook,
  PromotionSave,
  PromotionStore,
  SaveResult,
  StoredPromotion,
  WorkRulesStore,
} from '../ports/index.ts';
import { houseFaults, needsTwo } from './house.ts';

/** Tests a raw promotion against the plan it shall belong to. */
export function readPromotionInput(raw: unknown, plan: PlanDocument): Outcome<PromotionDocument> {
  const shaped = shape<PromotionDocument>(promotionSchema, raw);
  if (!shaped.ok) return failed({ kind: 'invalid', faults: shaped.faults });
  const faults: Fault[] = [];
  checkPromotion(shaped.value, [], checkContext(plan, currencyOf(plan.currency)!, faults));
  return faults.length > 0 ? failed({ kind: 'invalid', faults }) : done(shaped.value);
}

export interface SavedPromotion {
  readonly revision: number;
  /** What was written waits beside what stands. */
  readonly waits: boolean;
}

type Ports = { book: PlanBook; promotions: PromotionStore; rules: WorkRulesStore };

/**
 * Saves a new promotion or a new state of one. What stands goes on as it is: a change of it waits beside until it is
 * approved; its name, notes, badge and labels are changed at once.
 */
export async function savePromotion(
  ports: Ports,
  person: Person,
  input: { promotion: unknown; revision: number | null },
): Promise<Outcome<SavedPromotion>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const { document, compiled } = await ports.book.current();
  const read = readPromotionInput(input.promotion, document);
  if (!read.ok) return read;
  if (input.revision === null && isReservedId(read.value.id))
    return invalid(['id'], `"${read.value.id}" is the name of a page or an action`, 'another id');
  const before = input.revision === null ? null : await ports.promotions.find(read.value.id);
  const foreign = [before?.promotion, read.value]
    .map((one) => notTheirs(person, compiled, one))
    .find(Boolean);
  if (foreign) return failed({ kind: 'invalid', faults: [foreign] });
  const terms = (before?.proposal?.document ?? before?.promotion)?.supplier;
  // Who is not shown the terms cannot have meant to take them away.
  const written = { ...read.value, ...(terms && !person.costs ? { supplier: terms } : {}) };
  const rules = await ports.rules.current();
  const atOnce = changesAtOnce(person, rules) && !needsTwo(compiled, written, rules.house);
  const save = savingOf(before, written, person, atOnce);
  const faults = isStanding(save.promotion)
    ? houseFaults(save.promotion, before?.promotion ?? null, rules.house)
    : [];
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  const { proposal, action } = save;
  const result = await ports.promotions.save(save.promotion, input.revision, {
    person: person.id,
    action,
    proposal,
  });
  const outcome = saved(result);
  return outcome.ok ? done({ ...outcome.value, waits: (proposal?.document ?? null) !== null }) : outcome;
}

/** What is written where: in the promotion itself, or beside it. */
function savingOf(
  before: StoredPromotion | null,
  written: PromotionDocument,
  person: Person,
  /** Whether it counts as it is written. */
  atOnce: boolean,
): Required<Pick<PromotionSave, 'promotion' | 'action' | 'proposal'>> {
  const live = before?.promotion ?? null;
  const own = {
    promotion: { ...written, status: statusOf(live, written.status, atOnce, person) },
    proposal: null,
  };
  if (!live || !isStanding(live) || !isStanding(own.promotion) || atOnce || pricesAlike(live, written))
    return { ...own, action: actionOf(live, own.promotion) };
  return {
    promotion: { ...withFreeOf(live, written), status: own.promotion.status },
    action: 'change written',
    proposal: {
      document: { ...written, status: live.status },
      writtenBy: person.id,
      submittedBy: null,
      submittedAt: null,
      approvedBy: null,
      returned: before?.proposal?.returned ?? null,
    },
  };
}

/** Saving approves nothing, but for those who may do so alone; what stood goes on, or is lessened. */
function statusOf(
  live: PromotionDocument | null,
  wanted: PromotionStatus,
  atOnce: boolean,
  person: Person,
): PromotionStatus {
  if (!live || !isStanding(live)) {
    if (wanted === 'approved') return atOnce ? 'approved' : 'draft';
    return wanted === 'paused' ? 'draft' : wanted;
  }
  // To resume is to put back what was approved.
  if (live.status === 'paused' && wanted === 'approved')
    return may(person, 'approve') ? 'approved' : 'paused';
  return wanted;
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
  const { current } = result;
  return failed(
    current
      ? { kind: 'conflict', code: 'promotion-saved', current }
      : { kind: 'conflict', code: 'promotion-gone' },
  );
}
