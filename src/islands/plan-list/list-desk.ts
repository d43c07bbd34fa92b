import type { PromotionSummary } from '../../contracts/view/index.ts';
import { PHASES, type Phase } from '../../ui/phase.ts';
import { PHASE_WORDS } from '../../ui/words/index.ts';

/** A promotion with where it stands in time. */
export interface ListedPromotion {
  readonly promotion: PromotionSummary;
  readonly phase: Phase;
}

/** Which promotions are kept in the list. */
export type Kept = Phase | 'all' | 'open' | 'waiting';
export const KEPT: readonly { readonly kept: Kept; readonly words: string }[] = [
  { kept: 'open', words: 'Not over' },
  { kept: 'waiting', words: 'Waits for approval' },
  ...PHASES.map((phase) => ({ kept: phase, words: PHASE_WORDS[phase] })),
  { kept: 'all', words: 'All' },
];

/** What was done to the chosen ones: words, and how it is undone; null: it was undone, or cannot be. */
export interface Done {
  readonly words: string;
  readonly undo: (() => Promise<string>) | null;
}

export interface ListDesk {
  readonly kept: Kept;
  readonly text: string;
  readonly chosen: ReadonlySet<string>;
  readonly done: Done | null;
}

export type ListEvent =
  | { readonly type: 'kept'; readonly kept: Kept }
  | { readonly type: 'searched'; readonly text: string }
  /** One is chosen, or no longer. */
  | { readonly type: 'toggled'; readonly id: string }
  | { readonly type: 'chosen'; readonly ids: readonly string[] }
  | { readonly type: 'done'; readonly done: Done };

export const LIST_DESK: ListDesk = { kept: 'open', text: '', chosen: new Set(), done: null };

export function listAfter(desk: ListDesk, event: ListEvent): ListDesk {
  switch (event.type) {
    case 'kept':
      return { ...desk, kept: event.kept };
    case 'searched':
      return { ...desk, text: event.text };
    case 'toggled':
      return { ...desk, chosen: toggled(desk.chosen, event.id) };
    case 'chosen':
      return { ...desk, chosen: new Set(event.ids) };
    case 'done':
      return { ...desk, done: event.done };
  }
}

function toggled(chosen: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(chosen);
  if (!next.delete(id)) next.add(id);
  return next;
}

export const isKept = ({ promotion, phase }: ListedPromotion, kept: Kept): boolean =>
  kept === 'all' ||
  phase === kept ||
  (kept === 'waiting' && promotion.waiting?.state === 'submitted') ||
  (kept === 'open' && phase !== 'over' && phase !== 'archived');

/**
 * Those that the words fit.
 * @param touching ids of those that touch the item whose number was typed
 */
export const matching = (
  all: readonly ListedPromotion[],
  sought: string,
  touching: ReadonlySet<string>,
): ListedPromotion[] =>
  all.filter(
    ({ promotion: { id, name, sentence } }) =>
      sought === '' || touching.has(id) || `${name} ${id} ${sentence}`.toLowerCase().includes(sought),
  );
