import { useEffect, useState } from 'react';
import type { PromotionStep } from '../../contracts/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { type Draft, sheetOf, wholeOf } from '../draft/draft.ts';
import type { Opened, Saving } from './editor.tsx';
import type { Keeping } from './use-kept-draft.ts';

type Status = PromotionDocument['status'];

interface Action {
  readonly words: string;
  readonly status: Status;
  readonly done: string;
  readonly main: boolean;
}

const KEEPING_WORDS: Readonly<Record<Keeping, string>> = {
  nothing: '',
  keeping: '',
  kept: 'Kept for you, not saved yet.',
  'not-kept': 'Not kept: Bell Tag does not answer. Leave this page open.',
};

interface StepAction {
  readonly words: string;
  readonly step: PromotionStep;
  readonly done: string;
  readonly main: boolean;
}

/** What may be saved of the draft, or made of the promotion. The one thing to do next is the main action. */
function actionsFor(
  status: Status,
  { dirty, isNew, plans, approves }: { dirty: boolean; isNew: boolean; plans: boolean; approves: boolean },
  kept: Opened | null,
): Action[] {
  if (!plans) return [];
  const standing = status === 'approved' || status === 'paused';
  // Whoever may approve their own saves and approves in one go.
  const alone = approves && kept !== null && !kept.rules.another;
  const save: Action = { words: 'Save', status, done: 'Saved.', main: !alone || standing };
  const saves = dirty || isNew ? [save] : [];
  const approve: Action[] =
    alone && dirty && !standing
      ? [{ words: 'Save and approve', status: 'approved', done: APPROVED, main: true }]
      : [];
  if (status === 'approved')
    return [
      ...saves,
      {
        words: 'Pause',
        status: 'paused',
        done: 'Paused. The tills stop it with the next sending.',
        main: false,
      },
    ];
  if (status === 'paused')
    return [
      ...saves,
      {
        words: 'Resume',
        status: 'approved',
        done: 'Resumed. It goes to the tills with the next sending.',
        main: !dirty,
      },
      { words: 'Put away', status: 'archived', done: 'Put away.', main: false },
    ];
  const putAway: Action = { words: 'Put away', status: 'archived', done: 'Put away.', main: false };
  return [
    ...approve,
    ...saves,
    ...(isNew || status === 'archived' ? [] : [putAway]),
    ...(status === 'archived'
      ? [{ words: 'Take out again', status: 'draft' as const, done: 'A draft again.', main: false }]
      : []),
  ];
}

const APPROVED = 'Approved. It goes to the tills with the next sending.';

/** The steps to approval that a person may take of what is saved. */
function stepsFor(
  kept: Opened | null,
  { dirty, plans, approves }: { dirty: boolean; plans: boolean; approves: boolean },
): StepAction[] {
  if (!kept || dirty || !plans) return [];
  const { waiting, change, promotion, rules } = kept;
  const open = change !== null || promotion.status === 'draft';
  if (!open) return [];
  const submitted = waiting?.state === 'submitted';
  const approve: StepAction = { words: 'Approve', step: 'approve', done: APPROVED, main: true };
  const steps: StepAction[] = [];
  if (approves && (submitted || !rules.another)) steps.push(approve);
  if (!submitted)
    steps.push({
      words: 'Submit for approval',
      step: 'submit',
      done: 'Submitted. Whoever approves finds it on Today.',
      main: steps.length === 0,
    });
  else steps.push({ words: 'Take it back', step: 'take-back', done: 'Not submitted any more.', main: false });
  if (change)
    steps.push({
      words: 'Drop the change',
      step: 'drop',
      done: 'Dropped. What stands goes on.',
      main: false,
    });
  return steps;
}

export function Actions({
  draft,
  kept,
  dirty,
  saving,
  plans,
  approves,
  sendPath,
  onSave,
  onStep,
  onUndo,
  onRedo,
  keeping,
  belowCost,
}: {
  draft: Draft;
  kept: Opened | null;
  dirty: boolean;
  saving: Saving;
  plans: boolean;
  approves: boolean;
  sendPath: string;
  onSave: (status: Status, words: string) => void;
  onStep: (step: { step: PromotionStep; reason?: string }, words: string) => void;
  /** Null: nothing to take back. */
  onUndo: (() => void) | null;
  onRedo: (() => void) | null;
  keeping: Keeping;
  /** Items that the draft would sell below cost. */
  belowCost: number;
}) {
  const actions = actionsFor(draft.status, { dirty, isNew: kept === null, plans, approves }, kept);
  const steps = stepsFor(kept, { dirty, plans, approves });
  const submitted = kept?.waiting?.state === 'submitted';
  const missing = [
    draft.name.trim() === '' ? 'a name' : '',
    wholeOf(draft) !== null ? '' : sheetOf(draft) ? 'lines' : 'the goods',
  ].filter(Boolean);
  const save = actions.find(({ words }) => words === 'Save');
  useSaveKey(save && missing.length === 0 ? () => onSave(save.status, save.done) : null);
  return (
    <div className="mt-6">
      <p className="flex flex-wrap items-center gap-2">
        {steps.map(({ words, step, done, main }) => (
          <button
            key={words}
            type="button"
            className={`btn btn-sm ${main ? 'btn-primary' : ''}`}
            disabled={saving.kind === 'saving'}
            onClick={() => onStep({ step }, done)}
          >
            {words}
          </button>
        ))}
        {actions.map(({ words, status, done, main }) => (
          <button
            key={words}
            type="button"
            className={`btn btn-sm ${main && !steps.some((one) => one.main) ? 'btn-primary' : ''}`}
            disabled={missing.length > 0 || saving.kind === 'saving'}
            onClick={() => onSave(status, done)}
          >
            {words}
          </button>
        ))}
        {plans && onUndo ? (
          <button type="button" className="btn btn-ghost btn-sm" onClick={onUndo}>
            Undo
          </button>
        ) : null}
        {plans && onRedo ? (
          <button type="button" className="btn btn-ghost btn-sm" onClick={onRedo}>
            Redo
          </button>
        ) : null}
        <span className="text-sm" role="status">
          {saving.kind === 'idle' ? KEEPING_WORDS[keeping] : ''}
          {saving.kind === 'saving' ? 'Saving …' : ''}
          {saving.kind === 'saved' ? saving.words : ''}{' '}
          {saving.kind === 'saved' && draft.status === 'approved' ? (
            <a className="link" href={sendPath}>
              Send it
            </a>
          ) : null}
        </span>
      </p>
      {plans && belowCost > 0 && wholeOf(draft) !== null ? (
        <p className="mt-2 text-error text-sm">
          {belowCost} {belowCost === 1 ? 'item' : 'items'} would be sold below cost.
        </p>
      ) : null}
      {plans && missing.length > 0 ? (
        <p className="quiet mt-2 text-sm">To save it, give it {missing.join(' and ')}.</p>
      ) : null}
      {submitted && approves && !dirty ? (
        <SendBack
          busy={saving.kind === 'saving'}
          onSend={(reason) => onStep({ step: 'send-back', reason }, 'Sent back.')}
        />
      ) : null}
      {plans && draft.status === 'approved' && dirty && (kept?.rules.another || !approves) ? (
        <p className="quiet mt-2 text-sm">
          Saved, this waits beside what is approved; a new name, notes, badge or label counts at once.
        </p>
      ) : null}
      {plans &&
      kept &&
      !dirty &&
      draft.status === 'draft' &&
      !submitted &&
      (kept.rules.another || !approves) ? (
        <p className="quiet mt-2 text-sm">It prices nothing yet. Submit it, and somebody else approves it.</p>
      ) : null}
      {plans ? null : <p className="quiet text-sm">Your role looks at promotions; planners change them.</p>}
    </div>
  );
}

/** An approver says what should be otherwise. */
function SendBack({ busy, onSend }: { busy: boolean; onSend: (reason: string) => void }) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        onSend(reason);
      }}
    >
      <label className="min-w-64 flex-1">
        What should be otherwise
        <input
          className="input input-sm mt-0.5 w-full"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <button type="submit" className="btn btn-sm" disabled={busy || reason.trim() === ''}>
        Send it back
      </button>
    </form>
  );
}

/** Ctrl S saves, from anywhere on the page. */
function useSaveKey(save: (() => void) | null): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 's') return;
      event.preventDefault();
      save?.();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  });
}
