import type { Span } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';
import { type Band, bandFor } from './band.ts';
import type { CompiledPlan } from './compiled-plan.ts';
import type { PriceQuestion } from './price-at.ts';

/** A span in which an item has one price by one promotion. */
export interface PriceStep extends Span {
  /** Null: it cannot be sold then. */
  readonly price: MinorUnits | null;
  readonly regular: MinorUnits | null;
  readonly promotion: string | null;
  readonly onTop: readonly string[];
}

/** Of what item, by whom and through what a timeline is asked. */
export type TimelineQuestion = Omit<PriceQuestion, 'at' | 'store'>;

/**
 * The steps of one item's price at one store within a bounded span: exact, maximal, without gaps.
 * Two neighbours differ in the price or in the promotion that sets it.
 */
export const timeline = (
  compiled: CompiledPlan,
  { store, ...question }: Omit<PriceQuestion, 'at'>,
  asked: Span,
): PriceStep[] => timelines(compiled, question, [store], asked)[0]!;

/** The steps at many stores: what stores of one zone have in common is worked out once. */
export function timelines(
  compiled: CompiledPlan,
  question: TimelineQuestion,
  stores: readonly string[],
  asked: Span,
): PriceStep[][] {
  const index = compiled.catalogue.indexOf.get(question.sku);
  const bandAt = index === undefined ? null : bandFor(compiled, question, index, asked);
  return stores.map((id) => {
    const store = compiled.stores.get(id);
    if (!bandAt || !store) return [{ ...asked, price: null, regular: null, promotion: null, onTop: NONE }];
    return stepsOf(bandAt(store), id);
  });
}

/** The steps of one store: what wins in each cell of its band, told as far as nothing changes. */
function stepsOf({ moments, to, segments, changes, carries }: Band, store: string): PriceStep[] {
  const steps: { -readonly [K in keyof PriceStep]: PriceStep[K] }[] = [];
  const here = new Uint8Array(changes.length);
  for (let i = 0; i < changes.length; i++) if (changes[i]!.stores().has(store)) here[i] = 1;
  const winners = new Int16Array(moments.length);
  for (const segment of segments) {
    const { first, end, base, ranked } = segment;
    const regular = segment.regular !== null && carries(store, segment.regular) ? segment.regular : null;
    if (regular !== null) paintWinners(segment, here, winners);
    const tops = segment.onTop.filter(({ number }) => here[number] === 1);
    for (let cell = first, next = cell; cell < end; cell = next) {
      next = cell + 1;
      if (regular === null) next = end;
      else if (tops.length === 0) while (next < end && winners[next] === winners[cell]) next += 1;
      const winner = regular === null ? undefined : ranked[winners[cell]!];
      const promotion = winner?.change.promotion.id ?? null;
      const { price, applied } = regular === null ? NOT_SOLD : onTopOf(tops, cell, winner, base);
      const last = steps.at(-1);
      const until = moments[next] ?? to;
      if (last && last.price === price && last.promotion === promotion) last.to = until;
      else steps.push({ from: moments[cell]!, to: until, price, regular, promotion, onTop: applied });
    }
  }
  return steps;
}

/** From the last in rank to the first, each over the ones before; -1 where none of them counts. */
function paintWinners({ first, end, ranked }: Segment, here: Uint8Array, winners: Int16Array): void {
  winners.fill(-1, first, end);
  for (let rank = ranked.length - 1; rank >= 0; rank--) {
    const { number, cells } = ranked[rank]!;
    if (here[number] === 0) continue;
    // A loop: to fill costs a call, and most of them are short.
    for (const range of cells) for (let cell = range.first; cell < range.end; cell++) winners[cell] = rank;
  }
}

type Segment = Band['segments'][number];
const NONE: readonly string[] = [];
const NOT_SOLD = { price: null, applied: NONE };

function onTopOf(
  tops: Segment['onTop'],
  cell: number,
  winner: Segment['ranked'][number] | undefined,
  base: MinorUnits,
): { readonly price: MinorUnits; readonly applied: readonly string[] } {
  let price = winner?.result ?? base;
  if (tops.length === 0 || winner?.change.promotion.alone) return { price, applied: NONE };
  const applied: string[] = [];
  for (const { change, cells } of tops) {
    if (!cells.some(({ first, end }) => first <= cell && cell < end)) continue;
    const after = change.table().step(price, base);
    if (after >= price) continue;
    applied.push(change.promotion.id);
    price = after as MinorUnits;
  }
  return { price, applied };
}
