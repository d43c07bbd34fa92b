import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { idInAddress, type PromotionStep } from '../../contracts/index.ts';
import {
  type KeptDraft,
  type LensView,
  lensQuery,
  type OpenedPromotion,
} from '../../contracts/view/index.ts';
import { isPriceChange, type PromotionDocument, type WorksheetDocument } from '../../core/plan/index.ts';
import type { TrialLine } from '../basket/index.ts';
import { DealBeside, DealForm } from '../deal/index.ts';
import {
  type Draft,
  draftOf,
  idFor,
  isDeal,
  newDraft,
  type PriceChangeDraft,
  randomLetters,
  sheetOf,
  wholeOf,
  withCosts,
  withSheetPrices,
} from '../draft/draft.ts';
import { useChoices } from '../selection/index.ts';
import { otherFaults } from '../sentence/faults.ts';
import { WhenWarnings } from '../sentence/when-warnings.tsx';
import { ask, type Refusal, refusalOf, useLeaveWarning, WithServer } from '../server/index.ts';
import { type SheetOutcome, Worksheet } from '../worksheet/index.ts';
import { Actions } from './actions.tsx';
import { Again } from './again.tsx';
import { Conflict } from './conflict.tsx';
import { ConsequencesBeside } from './consequences-beside.tsx';
import { History } from './history.tsx';
import { SentenceForm } from './sentence-form.tsx';
import { useKeptDraft } from './use-kept-draft.ts';
import { usePreview } from './use-preview.ts';
import { useUndo } from './use-undo.ts';
import { WaitingBeside } from './waiting-beside.tsx';

/** What was opened: a promotion with what waits beside it; `promotion` stands. */
export type Opened = OpenedPromotion;

/** What is written on: the change that waits, or what stands. */
const written = ({ promotion, change }: Opened): PromotionDocument => change?.promotion ?? promotion;

export interface EditorProps {
  readonly view: LensView;
  readonly opened: Opened | null;
  /** What a new one begins with: a copy, a template, some goods. */
  readonly begin?: Draft | null;
  /** What the person was writing when they went away. */
  readonly unsaved?: KeptDraft | null;
  readonly plans: boolean;
  readonly approves: boolean;
  /** A state that is past is looked at: when it was, and what was done then. */
  readonly past?: { readonly at: string; readonly action: string } | null;
}

export function Editor(props: EditorProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** Where saving stands. */
export type Saving =
  | { readonly kind: 'idle' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'saved'; readonly words: string }
  | { readonly kind: 'refused'; readonly refusal: Refusal };

function Desk({ view, opened, begin = null, unsaved = null, plans, approves, past = null }: EditorProps) {
  const [fresh] = useState(() => begin ?? newDraft(view, ''));
  const [draft, setDraft] = useState<Draft>(
    () => (unsaved?.draft as Draft | undefined) ?? (opened ? draftOf(written(opened)) : fresh),
  );
  const [newKey] = useState(() => unsaved?.key ?? `new-${Math.random().toString(36).slice(2, 10)}`);
  const undo = useUndo(draft, setDraft);
  const [kept, setKept] = useState<Opened | null>(opened);
  const [saving, setSaving] = useState<Saving>({ kind: 'idle' });
  const client = useQueryClient();
  const choices = useChoices();
  const dirty = JSON.stringify(draft) !== JSON.stringify(kept ? written(kept) : fresh);
  const keeping = useKeptDraft(kept?.promotion.id ?? newKey, draft, {
    dirty: plans && dirty,
    revision: kept?.revision ?? null,
    there: unsaved !== null,
    onFirst: () => {
      if (!kept) history.replaceState(null, '', `/plan/new${lensQuery(view.lens, { draft: newKey })}`);
    },
  });
  useLeaveWarning(keeping === 'keeping' || keeping === 'not-kept');
  const [tried, setTried] = useState<readonly TrialLine[] | null>(null);
  const preview = usePreview(draft, view, tried);
  const onCosts = useCallback(
    (costs: Record<string, string>) =>
      setDraft((before) => (isDeal(before) ? before : withCosts(before, costs))),
    [],
  );
  const onPrices = useCallback(
    (outcome: SheetOutcome) => setDraft((before) => withSheetPrices(before, outcome)),
    [],
  );
  const change = (next: Draft) => {
    undo.remember();
    setDraft(next);
    if (saving.kind === 'saved') setSaving({ kind: 'idle' });
  };

  /** Nothing is saved while it is read what stands: a save under the old revision would be refused unseen. */
  async function settle(read: () => Promise<unknown>): Promise<void> {
    setSaving({ kind: 'saving' });
    try {
      await read();
      setSaving({ kind: 'idle' });
    } catch (error) {
      setSaving({ kind: 'refused', refusal: refusalOf(error) });
    }
  }

  /** Saves the draft with a status. What the server refuses is shown at its part; nothing typed is lost. */
  async function save(status: PromotionDocument['status'], words: string): Promise<void> {
    const whole = wholeOf({ ...draft, status, name: draft.name.trim() });
    if (!whole) return;
    const promotion = kept ? whole : { ...whole, id: idFor(whole.name, randomLetters()) };
    setSaving({ kind: 'saving' });
    try {
      const { waits } = await (kept
        ? ask<SavedReply>(pathOf(promotion.id), {
            method: 'PUT',
            body: { promotion, revision: kept.revision },
          })
        : ask<SavedReply>('/api/promotions', { method: 'POST', body: { promotion } }));
      const stands = await ask<Opened>(pathOf(promotion.id));
      setKept(stands);
      setDraft(draftOf(written(stands)));
      history.replaceState(null, '', `/plan/${idInAddress(promotion.id)}${lensQuery(view.lens)}`);
      document.title = `${promotion.name} · Bell Tag`;
      setSaving({ kind: 'saved', words: waits ? WAITS : words });
      if (!kept) await ask(`/api/drafts/${newKey}`, { method: 'DELETE', body: {} }).catch(() => {});
      await client.invalidateQueries({ queryKey: ['preview'] });
    } catch (error) {
      setSaving({ kind: 'refused', refusal: refusalOf(error) });
    }
  }

  /** What stands on the server now. */
  async function reopen(): Promise<void> {
    const stands = await ask<Opened>(pathOf(draft.id));
    setKept(stands);
    setDraft(draftOf(written(stands)));
  }

  /** A step on the way to approval. */
  async function step(body: { step: PromotionStep; reason?: string }, words: string): Promise<void> {
    if (!kept) return;
    setSaving({ kind: 'saving' });
    try {
      await ask(`${pathOf(kept.promotion.id)}/step`, {
        method: 'POST',
        body: { ...body, revision: kept.revision },
      });
      await reopen();
      setSaving({ kind: 'saved', words });
    } catch (error) {
      setSaving({ kind: 'refused', refusal: refusalOf(error) });
    }
  }

  const sheet = sheetOf(draft);
  const refusal = saving.kind === 'refused' ? saving.refusal : preview.refusal;
  const faults = refusal?.faults ?? [];
  const loose =
    refusal && (faults.length === 0 || otherFaults(faults, isDeal(draft)).length > 0) ? refusal : null;
  const theirs =
    refusal?.status === 409 ? (refusal.current as Pick<Opened, 'promotion'> | undefined) : undefined;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-8 xl:grid-cols-[minmax(0,1fr)_minmax(0,33rem)]">
      <div className="min-w-0" data-column="">
        <p className="text-sm">
          <a className="link" href={`/plan${lensQuery(view.lens)}`}>
            Plan
          </a>
        </p>
        {past && kept ? (
          <p role="status" className="mt-2 border-primary border-l-4 pl-3 text-sm">
            This is how it stood when it was {past.action}. Nothing is changed here.{' '}
            <a className="link" href={`/plan/${idInAddress(kept.promotion.id)}${lensQuery(view.lens)}`}>
              See it as it stands
            </a>
          </p>
        ) : null}
        {unsaved && dirty ? (
          <p role="status" className="mt-2 border-primary border-l-4 pl-3 text-sm">
            This is what you were writing, not saved yet
            {opened && unsaved.revision !== opened.revision ? '; it was saved by somebody in between' : ''}.{' '}
            <button
              type="button"
              className="link"
              onClick={() => change(kept ? draftOf(written(kept)) : fresh)}
            >
              Put it aside
            </button>
          </p>
        ) : null}
        {choices.data && isDeal(draft) ? (
          <DealForm
            draft={draft}
            choices={choices.data}
            faults={faults}
            locked={!plans}
            looking={{ store: view.store.id, at: view.at }}
            knownNames={preview.deal?.names ?? {}}
            onChange={change}
          />
        ) : choices.data && !isDeal(draft) ? (
          <SentenceForm
            draft={draft}
            choices={choices.data}
            faults={faults}
            locked={!plans}
            looking={{ store: view.store.id, at: view.at }}
            onChange={change}
          />
        ) : (
          <p className="quiet mt-4" role="status">
            {choices.isError ? refusalOf(choices.error).message : 'Reading the chain …'}
          </p>
        )}
        {theirs ? (
          <Conflict
            theirs={theirs}
            onTake={() => settle(reopen)}
            onKeep={() => settle(async () => setKept(await ask<Opened>(pathOf(draft.id))))}
          />
        ) : loose ? (
          <p role="alert" className="mt-4 border-error border-l-4 pl-3">
            {loose.message}{' '}
            {otherFaults(faults, isDeal(draft))
              .map(({ path, message }) => `${path} ${message}`)
              .join('; ')}
          </p>
        ) : null}
        {plans ? null : <p className="quiet mt-3 text-sm">priority {draft.priority ?? 100}</p>}
        <WhenWarnings
          when={draft.when}
          now={view.now}
          shut={preview.prices?.shut ?? preview.deal?.shut ?? []}
        />
        {kept ? <WaitingBeside opened={kept} plans={plans} view={view} /> : null}
        <Actions
          draft={draft}
          kept={kept}
          dirty={dirty}
          saving={saving}
          plans={plans}
          approves={approves}
          onSave={save}
          onStep={step}
          onUndo={undo.undo}
          onRedo={undo.redo}
          keeping={keeping}
          belowCost={preview.prices?.belowCost ?? 0}
          sendPath={`/send${lensQuery(view.lens)}`}
        />
        {kept && plans && !dirty ? <Again kept={kept} view={view} onEnded={reopen} /> : null}
        {kept && kept.history.length > 0 ? (
          <History
            rows={kept.history}
            now={view.now}
            pathOf={(entry) =>
              `/plan/${idInAddress(kept.promotion.id)}${lensQuery(view.lens, { state: String(entry) })}`
            }
          />
        ) : null}
      </div>
      {isDeal(draft) ? (
        <DealBeside
          draft={draft}
          preview={preview.deal}
          asking={preview.asking}
          broken={preview.refusal !== null}
          tried={tried}
          onTry={setTried}
          view={view}
        />
      ) : (
        <ConsequencesBeside
          brief={sheet !== null}
          preview={preview.prices}
          asking={preview.asking}
          waitingFor={wholeOf(draft) === null ? (sheet ? 'the lines' : 'the goods') : null}
          broken={preview.refusal !== null}
          view={view}
        />
      )}
      {sheet && choices.data ? (
        <div className="min-w-0 xl:col-span-2">
          <Worksheet
            frame={draft}
            sheet={sheet}
            saved={savedPrices(kept)}
            choices={choices.data}
            view={view}
            locked={!plans}
            fileName={idFor(draft.name || 'worksheet', 'lines')}
            onChange={(worksheet) => change(withSheet(draft as PriceChangeDraft, worksheet))}
            onPrices={onPrices}
            onCosts={onCosts}
          />
        </div>
      ) : null}
    </div>
  );
}

/** The prices of the worksheet that was saved; null where there is none. */
const savedPrices = (kept: Opened | null) => {
  const promotion = kept && written(kept);
  return promotion && isPriceChange(promotion) && promotion.offer.worksheet ? promotion.offer : null;
};

const withSheet = (draft: PriceChangeDraft, worksheet: WorksheetDocument): PriceChangeDraft => ({
  ...draft,
  offer: { ...draft.offer, worksheet },
});

interface SavedReply {
  readonly waits: boolean;
}

const WAITS = 'Kept as a change. What is approved goes on as it is until this is approved too.';

const pathOf = (id: string): string => `/api/promotions/${idInAddress(id)}`;
