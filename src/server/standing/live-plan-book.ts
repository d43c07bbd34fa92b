import { joinChanges, tableOf, withEntries } from '../../contracts/table/index.ts';
import {
  checkWhen,
  type Fault,
  type KnownEntries,
  knownEntries,
  type PlanDocument,
  type PromotionDocument,
  readPlan,
  readPromotion,
} from '../../core/plan/index.ts';
import { apply, compile } from '../../core/price-book/index.ts';
import {
  type Database,
  loadPlan,
  markOf,
  type PlanMark,
  type PlanStep,
  planMark,
  stepsSince,
} from '../../db/index.ts';
import type { CurrentPlan, PlanBook } from '../../usecases/ports/index.ts';
import { log } from '../machine/log.ts';

interface Held {
  readonly plan: CurrentPlan;
  readonly mark: PlanMark;
}

/** The database has no chain yet: there is nothing to answer from. */
export class NoChain extends Error {}

/**
 * The plan in memory, checked against the database's version at every question. What was saved is applied
 * step by step; a whole plan that came in is read anew, and so is one of a database that is not what it was: a backup
 * that was played back may have come to the same version in another way. Nothing here outlives what PostgreSQL has.
 */
export function livePlanBook(db: Database, onWentBack: () => void = () => {}): PlanBook {
  let held: Held | null = null;
  // What did not change from one version to the next is not read again.
  const known = knownEntries();
  let turn: Promise<unknown> = Promise.resolve();

  async function catchUp(): Promise<CurrentPlan> {
    const now = await planMark(db);
    if (!now) throw new NoChain('the database holds no chain yet');
    if (held && held.mark.version === now.version && held.mark.mark === now.mark) return held.plan;
    const before = held;
    const goesOn =
      before &&
      now.version > before.mark.version &&
      (await markOf(db, before.mark.version)) === before.mark.mark;
    const changes = goesOn ? await stepsSince(db, before.mark.version) : null;
    held = {
      plan: changes ? applied(before!.plan, changes, now.version, known) : await readAll(db),
      mark: now,
    };
    if (before && !goesOn) onWentBack();
    return held.plan;
  }

  return {
    current() {
      // One after another: a question never joins a look at the version that began before it was asked.
      const next = turn.then(catchUp, catchUp);
      turn = next;
      return next;
    },
  };
}

async function readAll(db: Database): Promise<CurrentPlan> {
  const stored = await loadPlan(db);
  if (!stored) throw new NoChain('the database holds no chain yet');
  return planOf(stored.document, stored.version);
}

function planOf(document: PlanDocument, version: number, known?: KnownEntries): CurrentPlan {
  const sound = { ...document, promotions: document.promotions.map(soundedOnce) };
  return { version, document: sound, compiled: compile(readPlan(sound, known)) };
}

const soundOnes = new WeakMap<PromotionDocument, PromotionDocument>();

/** Looked at once, however often the stockroom changes beside it. */
function soundedOnce(promotion: PromotionDocument): PromotionDocument {
  const found = soundOnes.get(promotion) ?? sounded(promotion);
  soundOnes.set(promotion, found);
  return found;
}

/** What was kept before it was refused, and can never count, goes to no terminal: each would refuse the whole file. */
function sounded(promotion: PromotionDocument): PromotionDocument {
  const faults: Fault[] = [];
  checkWhen(promotion.when, ['when'], (path, what, wanted) => faults.push({ path, what, wanted }));
  if (faults.length === 0 || promotion.status !== 'approved') return promotion;
  log.warn({ promotion: promotion.id, faults }, 'a kept promotion can no longer be read, and is left out');
  return { ...promotion, status: 'paused' };
}

/**
 * What was saved since, once more on the plan in memory. Promotions are put into what is compiled; where rows of the
 * stockroom changed, all of it is written into the document first and compiled once, however many changes there were.
 */
function applied(
  held: CurrentPlan,
  steps: readonly PlanStep[],
  version: number,
  known: KnownEntries,
): CurrentPlan {
  if (steps.every((step) => step.kind === 'promotion'))
    return steps.reduce<CurrentPlan>((current, { promotion }) => withPromotion(current, promotion, version), {
      ...held,
      version,
    });
  return planOf(joinSteps(steps).reduce(withStep, held.document), version, known);
}

/** Promotions and rows of the stockroom do not meet in the document: rows may be joined across them. */
function joinSteps(steps: readonly PlanStep[]): PlanStep[] {
  const rows = steps.flatMap((step) => (step.kind === 'entries' ? [step.change] : []));
  return [
    ...steps.filter(({ kind }) => kind === 'promotion'),
    ...joinChanges(rows, (table, entry) => tableOf(table).keyOf(entry)).map(
      (change): PlanStep => ({ kind: 'entries', change }),
    ),
  ];
}

const withStep = (document: PlanDocument, step: PlanStep): PlanDocument =>
  step.kind === 'promotion'
    ? { ...document, promotions: promotionsWith(document, step.promotion) }
    : withEntries(document, step.change, tableOf(step.change.table).keyOf);

const promotionsWith = (
  { promotions }: Pick<PlanDocument, 'promotions'>,
  promotion: PromotionDocument,
): PromotionDocument[] => [...promotions.filter(({ id }) => id !== promotion.id), promotion];

function withPromotion(current: CurrentPlan, promotion: PromotionDocument, version: number): CurrentPlan {
  const read = readPromotion(promotion, current.compiled.plan.currency);
  const { compiled } = apply(current.compiled, { kind: 'put-promotion', promotion: read });
  const promotions = promotionsWith(current.document, promotion);
  return { version, compiled, document: { ...current.document, promotions } };
}
