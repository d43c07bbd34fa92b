import { useQueryClient } from '@tanstack/react-query';
import { dequal } from 'dequal/lite';
import { useCallback, useMemo, useReducer, useState } from 'react';
import { idInAddress, type PromotionStep } from '../../contracts/index.ts';
import { type KeptDraft, type LensView, lensQuery } from '../../contracts/view/index.ts';
import type { PromotionDocument, WorksheetDocument } from '../../core/plan/index.ts';
import type { TrialLine } from '../basket/index.ts';
import { type Draft, draftOf, idFor, newDraft, randomLetters, wholeOf } from '../draft/draft.ts';
import type { SheetOutcome } from '../draft/outcome.ts';
import { ask, refusalOf } from '../server/index.ts';
import { deskAfter, deskOf, type Opened, savedOf } from './desk.ts';

/** What is opened when the page begins. */
export interface Beginning {
  readonly view: LensView;
  readonly opened: Opened | null;
  readonly begin: Draft | null;
  readonly unsaved: KeptDraft | null;
}

interface SavedReply {
  readonly waits: boolean;
}

const WAITS = 'Kept as a change. What is approved goes on as it is until this is approved too.';

const SAVED_MEANWHILE = 'Somebody saved it meanwhile: this is how it stands now. Nothing else was done.';

const pathOf = (id: string): string => `/api/promotions/${idInAddress(id)}`;
const now = (): number => performance.now();

/** The desk of the editor with the server behind it. */
export function useDesk({ view, opened, begin, unsaved }: Beginning) {
  const [desk, tell] = useReducer(deskAfter, null, () =>
    deskOf(opened, begin ?? newDraft(view, ''), unsaved),
  );
  const [newKey] = useState(() => unsaved?.key ?? `new-${Math.random().toString(36).slice(2, 10)}`);
  const client = useQueryClient();
  const { draft, kept } = desk;
  const saved = savedOf(desk);
  const dirty = useMemo(() => !dequal(draft, saved), [draft, saved]);

  /** Nothing else is asked meanwhile; what the server refuses is shown at its part, and nothing typed is lost. */
  async function asking(work: () => Promise<void>): Promise<void> {
    tell({ type: 'asked' });
    try {
      await work();
    } catch (error) {
      const refusal = refusalOf(error);
      const opened = refusal.current && kept ? await standing().catch(() => null) : null;
      if (!opened) tell({ type: 'refused', refusal });
      else tell(dirty ? { type: 'overtaken', opened } : { type: 'reopened', opened, words: SAVED_MEANWHILE });
    }
  }
  const standing = () => ask<Opened>(pathOf(kept?.promotion.id ?? draft.id));

  async function put(promotion: PromotionDocument): Promise<SavedReply> {
    if (!kept) return ask<SavedReply>('/api/promotions', { method: 'POST', body: { promotion } });
    const body = { promotion, revision: kept.revision };
    return ask<SavedReply>(pathOf(promotion.id), { method: 'PUT', body });
  }

  return {
    desk,
    dirty,
    /** What a new one is kept under for its person until it is saved. */
    newKey,
    onChange: (next: Draft) => tell({ type: 'written', draft: next, at: now() }),
    onSheet: (worksheet: WorksheetDocument) => tell({ type: 'sheet-written', worksheet, at: now() }),
    onPrices: useCallback((outcome: SheetOutcome) => tell({ type: 'sheet-priced', outcome }), []),
    onCosts: useCallback((costs: Record<string, string>) => tell({ type: 'costs-written', costs }), []),
    onTry: (lines: readonly TrialLine[] | null) => tell({ type: 'tried', lines }),
    onPutAside: () => tell({ type: 'put-aside', at: now() }),
    onUndo: desk.past.length > 0 ? () => tell({ type: 'undone' }) : null,
    onRedo: desk.future.length > 0 ? () => tell({ type: 'redone' }) : null,
    /** Saves the draft with a status. */
    async onSave(status: PromotionDocument['status'], words: string): Promise<void> {
      const whole = wholeOf({ ...draft, status, name: draft.name.trim() });
      if (!whole) return;
      const promotion = kept ? whole : { ...whole, id: idFor(whole.name, randomLetters()) };
      await asking(async () => {
        const { waits } = await put(promotion);
        const stands = await ask<Opened>(pathOf(promotion.id));
        tell({ type: 'reopened', opened: stands, words: waits ? WAITS : words });
        history.replaceState(null, '', `/plan/${idInAddress(promotion.id)}${lensQuery(view.lens)}`);
        document.title = `${promotion.name} · Bell Tag`;
        if (!kept) await ask(`/api/drafts/${newKey}`, { method: 'DELETE', body: {} }).catch(() => {});
        await client.invalidateQueries({ queryKey: ['preview'] });
      });
    },
    /** A step on the way to approval. */
    async onStep(step: { step: PromotionStep; reason?: string }, words: string): Promise<void> {
      if (!kept) return;
      await asking(async () => {
        const body = { ...step, revision: kept.revision };
        await ask(`${pathOf(kept.promotion.id)}/step`, { method: 'POST', body });
        tell({ type: 'reopened', opened: await standing(), words });
      });
    },
    /** What stands on the server in the place of what is written. */
    onReopen: () => asking(async () => tell({ type: 'reopened', opened: await standing() })),
    onMerge: (merged: PromotionDocument) => tell({ type: 'merged', draft: draftOf(merged), at: now() }),
    onTakeTheirs: () => tell({ type: 'theirs-taken', at: now() }),
  };
}

export type DeskActions = ReturnType<typeof useDesk>;
