import { type KeptDraft, type LensView, lensQuery } from '../../contracts/view/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { laterPart, WhenUsed } from '../../ui/pieces/index.ts';
import { type Draft, isDeal, isLimited, sheetOf } from '../draft/draft.ts';
import { OutlookBelow } from '../outlook/index.ts';
import { useChoices } from '../selection/index.ts';
import { WhenWarnings } from '../sentence/when-warnings.tsx';
import { refusalOf, useLeaveWarning, WithServer } from '../server/index.ts';
import { Actions } from './actions.tsx';
import { Again } from './again.tsx';
import { Beside } from './beside.tsx';
import { Conflict } from './conflict.tsx';
import { type Opened, written } from './desk.ts';
import { DraftFindings } from './draft-findings.tsx';
import { DraftForm } from './draft-form.tsx';
import { History } from './history.tsx';
import { OpenedNotes } from './opened-notes.tsx';
import { OthersHere } from './others-here.tsx';
import { RefusalNotes } from './refusal-notes.tsx';
import { SheetBelow } from './sheet-below.tsx';
import { useDesk } from './use-desk.ts';
import { useKeptDraft } from './use-kept-draft.ts';
import { useMend } from './use-mend.ts';
import { usePreview } from './use-preview.ts';
import { useUndoKeys } from './use-undo-keys.ts';
import { WaitingBeside } from './waiting-beside.tsx';

const CODES = laterPart(() => import('../codes/index.ts').then(({ Codes }) => Codes));
const USES = laterPart(() => import('./uses.tsx').then(({ Uses }) => Uses));

export interface EditorProps {
  readonly view: LensView;
  readonly opened: Opened | null;
  /** What a new one begins with: a copy, a template, some goods. */
  readonly begin?: Draft | null;
  /** What the person was writing when they went away. */
  readonly unsaved?: KeptDraft | null;
  /** A change that somebody wants to look at: what does away with a finding. */
  readonly mend?: string | null;
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

function Desk({
  view,
  opened,
  begin = null,
  unsaved = null,
  plans,
  approves,
  past = null,
  mend = null,
}: EditorProps) {
  const at = useDesk({ view, opened, begin, unsaved });
  const { dirty, newKey } = at;
  const { draft, kept, saving, tried } = at.desk;
  const choices = useChoices();
  const keeping = useKeptDraft(kept?.promotion.id ?? newKey, draft, {
    dirty: plans && dirty,
    revision: kept?.revision ?? null,
    there: unsaved !== null,
    onFirst: () => {
      if (!kept) history.replaceState(null, '', `/plan/new${lensQuery(view.lens, { draft: newKey })}`);
    },
  });
  useMend(plans ? mend : null, at);
  useLeaveWarning(keeping === 'keeping' || keeping === 'not-kept');
  useUndoKeys(at.onUndo, at.onRedo);
  const preview = usePreview(draft, view, tried);
  const refusal = saving.kind === 'refused' ? saving.refusal : preview.refusal;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-8 xl:grid-cols-[minmax(0,1fr)_minmax(0,33rem)]">
      <div className="min-w-0" data-column="">
        <p className="text-sm">
          <a className="link" href={`/plan${lensQuery(view.lens)}`}>
            Plan
          </a>
        </p>
        <OthersHere promotion={plans && kept ? kept.promotion.id : null} />
        <OpenedNotes
          past={past}
          kept={kept}
          view={view}
          unsaved={
            unsaved && dirty ? { overtaken: opened !== null && unsaved.revision !== opened.revision } : null
          }
          onPutAside={at.onPutAside}
        />
        <DraftForm
          draft={draft}
          choices={choices.data ?? null}
          waiting={choices.isError ? refusalOf(choices.error).message : 'Reading the chain …'}
          faults={refusal?.faults ?? []}
          locked={!plans}
          view={view}
          knownNames={preview.deal?.names ?? {}}
          onChange={at.onChange}
        />
        <RefusalNotes refusal={refusal} deal={isDeal(draft)} />
        {kept && at.desk.overtaken ? (
          <Conflict
            base={kept}
            mine={draft as PromotionDocument}
            theirs={at.desk.overtaken}
            onTake={at.onTakeTheirs}
            onMerge={at.onMerge}
          />
        ) : null}
        {plans ? null : <p className="quiet mt-3 text-sm">priority {draft.priority ?? 100}</p>}
        <WhenWarnings
          when={draft.when}
          now={view.now}
          house={preview.prices?.house ?? preview.deal?.house ?? null}
        />
        {kept ? <WaitingBeside opened={kept} plans={plans} view={view} /> : null}
        <Actions
          at={at}
          plans={plans}
          approves={approves}
          keeping={keeping}
          belowCost={preview.prices?.belowCost ?? 0}
          sendPath={`/send${lensQuery(view.lens)}`}
        />
        {kept && plans && !dirty ? <Again kept={kept} view={view} onEnded={at.onReopen} /> : null}
        {kept && written(kept).codeBatches ? (
          <WhenUsed part={CODES} given={{ promotion: kept.promotion.id, plans, view }} />
        ) : null}
        {kept && isLimited(kept.promotion) ? (
          <WhenUsed part={USES} given={{ promotion: kept.promotion.id, view }} />
        ) : null}
        {kept && kept.history.length > 0 ? <History of={kept} view={view} /> : null}
      </div>
      <div className="min-w-0">
        <DraftFindings preview={preview} view={view} />
        <Beside draft={draft} preview={preview} tried={tried} onTry={at.onTry} view={view} />
      </div>
      <OutlookBelow promotion={preview.promotion} broken={preview.refusal !== null} view={view} />
      {sheetOf(draft) && choices.data ? (
        <SheetBelow at={at} choices={choices.data} view={view} locked={!plans} />
      ) : null}
    </div>
  );
}
