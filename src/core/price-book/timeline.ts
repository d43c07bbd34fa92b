import { type Instant, midnight, type Span, spansWithin } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import type { StoreDocument } from '../plan/index.ts';
import { priceChangeDays } from '../tag-price/index.ts';
import { standingBar } from './bar.ts';
import type { CompiledPlan } from './compiled-plan.ts';
import { type PriceQuestion, priceAt, situationOf } from './price-at.ts';

/** A span in which an item has one price by one promotion. */
export interface PriceStep extends Span {
  /** Null: it cannot be sold then. */
  readonly price: MinorUnits | null;
  readonly regular: MinorUnits | null;
  readonly promotion: string | null;
  readonly onTop: readonly string[];
}

/**
 * The steps of one item's price at one store within a bounded span: exact, maximal, without gaps.
 * Two neighbours differ in the price or in the promotion that sets it.
 */
export function timeline(
  compiled: CompiledPlan,
  question: Omit<PriceQuestion, 'at'>,
  asked: Span,
): PriceStep[] {
  const steps: PriceStep[] = [];
  const moments = turningPoints(compiled, question, asked);
  moments.forEach((from, i) => {
    const step = stepAt(compiled, question, { from, to: moments[i + 1] ?? asked.to });
    const last = steps.at(-1);
    if (last && last.price === step.price && last.promotion === step.promotion)
      steps[steps.length - 1] = { ...last, to: step.to };
    else steps.push(step);
  });
  return steps;
}

function stepAt(compiled: CompiledPlan, question: Omit<PriceQuestion, 'at'>, span: Span): PriceStep {
  const answer = priceAt(compiled, { ...question, at: span.from });
  if (answer.kind === 'problem') return { ...span, price: null, regular: null, promotion: null, onTop: [] };
  return {
    ...span,
    price: answer.price,
    regular: answer.regular.price,
    promotion: answer.winner?.promotion ?? null,
    onTop: answer.onTop.map(({ promotion }) => promotion),
  };
}

/** Every instant at which the price may change, the start of the asked span first. */
function turningPoints(compiled: CompiledPlan, question: Omit<PriceQuestion, 'at'>, asked: Span): Instant[] {
  const store = compiled.stores.get(question.store);
  const index = compiled.catalogue.indexOf.get(question.sku);
  if (!store || index === undefined) return [asked.from];
  const moments = [
    ...changeMoments(compiled, question, store, index, asked),
    ...regularMoments(compiled, store, index),
  ];
  const inside = moments.filter((moment) => asked.from < moment && moment < asked.to);
  return [asked.from, ...[...new Set(inside)].sort((a, b) => a - b)];
}

function changeMoments(
  compiled: CompiledPlan,
  question: Omit<PriceQuestion, 'at'>,
  store: StoreDocument,
  index: number,
  asked: Span,
): Instant[] {
  const situation = situationOf(compiled, store, { ...question, at: asked.from });
  return compiled.changes
    .filter((change) => {
      const { fixed } = change.selection();
      return (fixed === null || fixed[index] === 1) && standingBar(change, situation) === null;
    })
    .flatMap(({ promotion }) => spansWithin(promotion.when, situation.clock, asked))
    .flatMap(({ from, to }) => [from, to]);
}

function regularMoments(compiled: CompiledPlan, store: StoreDocument, index: number): Instant[] {
  const clock = compiled.clockOf(store);
  return priceChangeDays(compiled.catalogue.items[index]!, store).map((day) =>
    clock.toInstant(midnight(day)),
  );
}
