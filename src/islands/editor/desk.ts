import type { KeptDraft, OpenedPromotion } from '../../contracts/view/index.ts';
import type { PromotionDocument, WorksheetDocument } from '../../core/plan/index.ts';
import type { TrialLine } from '../basket/index.ts';
import {
  type Draft,
  draftOf,
  isDeal,
  type PriceChangeDraft,
  withCosts,
  withSheetPrices,
} from '../draft/draft.ts';
import type { SheetOutcome } from '../draft/outcome.ts';
import type { Refusal } from '../server/index.ts';

/** What was opened: a promotion with what waits beside it; `promotion` stands. */
export type Opened = OpenedPromotion;

/** Where saving stands. */
export type Saving =
  | { readonly kind: 'idle' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'saved'; readonly words: string }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

/** A promotion being written. */
export interface Desk {
  readonly draft: Draft;
  /** What it began as: a copy, a template, some goods, nothing. */
  readonly fresh: Draft;
  /** What stands on the server; null: it is new. */
  readonly kept: Opened | null;
  readonly saving: Saving;
  /** What somebody else saved meanwhile, when this one was not saved over it; null: nothing. */
  readonly overtaken: Opened | null;
  /** Steps that can be taken back, and those taken back. */
  readonly past: readonly Draft[];
  readonly future: readonly Draft[];
  /** When something was written last, in milliseconds of any clock. */
  readonly writtenAt: number;
  /** The lines of the trial receipt that somebody chose; null: those that the server picks. */
  readonly tried: readonly TrialLine[] | null;
}

export type DeskEvent =
  | { readonly type: 'written'; readonly draft: Draft; readonly at: number }
  | { readonly type: 'sheet-written'; readonly worksheet: WorksheetDocument; readonly at: number }
  | { readonly type: 'sheet-priced'; readonly outcome: SheetOutcome }
  | { readonly type: 'costs-written'; readonly costs: Readonly<Record<string, string>> }
  | { readonly type: 'put-aside'; readonly at: number }
  | { readonly type: 'undone' }
  | { readonly type: 'redone' }
  | { readonly type: 'asked' }
  | { readonly type: 'refused'; readonly refusal: Refusal }
  /** What stands on the server takes the place of what is written. */
  | { readonly type: 'reopened'; readonly opened: Opened; readonly words?: string }
  /** Somebody saved after this was opened: what stands now. */
  | { readonly type: 'overtaken'; readonly opened: Opened }
  /** Both are put together, and written on over what stands now. */
  | { readonly type: 'merged'; readonly draft: Draft; readonly at: number }
  /** What somebody else saved takes the place of what is written, which can be taken back. */
  | { readonly type: 'theirs-taken'; readonly at: number }
  | { readonly type: 'tried'; readonly lines: readonly TrialLine[] | null };

/** What is typed in one go is one step, in milliseconds. */
const ONE_GO = 700;
const MOST_STEPS = 100;

/** What is written on: the change that waits, or what stands. */
export const written = ({ promotion, change }: Opened): PromotionDocument => change?.promotion ?? promotion;

/** What is saved: what stands of it, or what it began as. */
export const savedOf = ({ kept, fresh }: Desk): Draft => (kept ? draftOf(written(kept)) : fresh);

export function deskOf(opened: Opened | null, fresh: Draft, unsaved: KeptDraft | null): Desk {
  return {
    draft: (unsaved?.draft as Draft | undefined) ?? (opened ? draftOf(written(opened)) : fresh),
    fresh,
    kept: opened,
    saving: { kind: 'idle' },
    overtaken: null,
    past: [],
    future: [],
    writtenAt: Number.NEGATIVE_INFINITY,
    tried: null,
  };
}

export function deskAfter(desk: Desk, event: DeskEvent): Desk {
  switch (event.type) {
    case 'written':
      return writtenOn(desk, event.draft, event.at);
    case 'sheet-written': {
      if (isDeal(desk.draft)) return desk;
      return writtenOn(desk, withSheet(desk.draft, event.worksheet), event.at);
    }
    case 'sheet-priced': {
      const draft = withSheetPrices(desk.draft, event.outcome);
      return draft === desk.draft ? desk : { ...desk, draft };
    }
    case 'costs-written':
      return isDeal(desk.draft) ? desk : { ...desk, draft: withCosts(desk.draft, event.costs) };
    case 'put-aside':
      return writtenOn(desk, savedOf(desk), event.at);
    case 'undone':
      return movedBack(desk);
    case 'redone':
      return movedOn(desk);
    case 'asked':
      return { ...desk, saving: { kind: 'saving' } };
    case 'refused':
      return { ...desk, saving: { kind: 'refused', refusal: event.refusal } };
    case 'reopened': {
      const saving: Saving =
        event.words === undefined ? { kind: 'idle' } : { kind: 'saved', words: event.words };
      return { ...desk, kept: event.opened, draft: draftOf(written(event.opened)), saving, overtaken: null };
    }
    case 'overtaken':
      return { ...desk, overtaken: event.opened, saving: { kind: 'idle' } };
    case 'merged':
      return over(desk, event.draft, event.at);
    case 'theirs-taken':
      return desk.overtaken ? over(desk, draftOf(written(desk.overtaken)), event.at) : desk;
    case 'tried':
      return { ...desk, tried: event.lines };
  }
}

const withSheet = (draft: PriceChangeDraft, worksheet: WorksheetDocument): PriceChangeDraft => ({
  ...draft,
  offer: { ...draft.offer, worksheet },
});

/** Written on over what somebody else saved. */
function over(desk: Desk, draft: Draft, at: number): Desk {
  if (!desk.overtaken) return desk;
  const step = writtenOn({ ...desk, writtenAt: Number.NEGATIVE_INFINITY }, draft, at);
  return { ...step, kept: desk.overtaken, overtaken: null, writtenAt: Number.NEGATIVE_INFINITY };
}

/** What was saved since somebody opened it, the first first. */
export function savedSince(base: Opened, now: Opened): Opened['history'] {
  const known = new Set(base.history.map(({ id }) => id));
  return now.history.filter(({ id }) => !known.has(id)).toReversed();
}

/** A step that can be taken back, unless it goes on with what was written a moment ago. */
function writtenOn(desk: Desk, draft: Draft, at: number): Desk {
  const goesOn = at - desk.writtenAt <= ONE_GO;
  return {
    ...desk,
    draft,
    past: goesOn ? desk.past : [...desk.past.slice(-MOST_STEPS), desk.draft],
    future: [],
    writtenAt: at,
    saving: desk.saving.kind === 'saved' ? { kind: 'idle' } : desk.saving,
  };
}

function movedBack(desk: Desk): Desk {
  const { past, draft, future } = desk;
  if (past.length === 0) return desk;
  return {
    ...desk,
    draft: past.at(-1)!,
    past: past.slice(0, -1),
    future: [draft, ...future],
    writtenAt: Number.NEGATIVE_INFINITY,
  };
}

function movedOn(desk: Desk): Desk {
  const { past, draft, future } = desk;
  if (future.length === 0) return desk;
  return {
    ...desk,
    draft: future[0]!,
    past: [...past, draft],
    future: future.slice(1),
    writtenAt: Number.NEGATIVE_INFINITY,
  };
}
