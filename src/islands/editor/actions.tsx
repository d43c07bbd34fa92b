import { useEffect } from 'react';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { type Draft, sheetOf, wholeOf } from './draft.ts';
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

/** What a person may do with the draft as it stands. The one thing to do next is the main action. */
function actionsFor(
  status: Status,
  { dirty, isNew, plans, approves }: { dirty: boolean; isNew: boolean; plans: boolean; approves: boolean },
): Action[] {
  if (!plans) return [];
  const save: Action = { words: 'Save', status, done: 'Saved.', main: !approves || status === 'approved' };
  const approve: Action = {
    words: dirty ? 'Save and approve' : 'Approve',
    status: 'approved',
    done: 'Approved. It goes to the tills with the next sending.',
    main: true,
  };
  const saves = dirty || isNew ? [save] : [];
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
  const putAway: Action = { words: 'Put away', status: 'archived', done: 'Put away.', main: false };
  return [
    ...(approves ? [approve] : []),
    ...saves,
    ...(isNew || status === 'archived' ? [] : [putAway]),
    ...(status === 'archived'
      ? [{ words: 'Take out again', status: 'draft' as const, done: 'A draft again.', main: false }]
      : []),
  ];
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
  /** Null: nothing to take back. */
  onUndo: (() => void) | null;
  onRedo: (() => void) | null;
  keeping: Keeping;
  /** Items that the draft would sell below cost. */
  belowCost: number;
}) {
  const actions = actionsFor(draft.status, { dirty, isNew: kept === null, plans, approves });
  const missing = [
    draft.name.trim() === '' ? 'a name' : '',
    wholeOf(draft) !== null ? '' : sheetOf(draft) ? 'lines' : 'the goods',
  ].filter(Boolean);
  const save = actions.find(({ words }) => words === 'Save');
  useSaveKey(save && missing.length === 0 ? () => onSave(save.status, save.done) : null);
  return (
    <div className="mt-6">
      <p className="flex flex-wrap items-center gap-2">
        {actions.map(({ words, status, done, main }) => (
          <button
            key={words}
            type="button"
            className={`btn btn-sm ${main ? 'btn-primary' : ''}`}
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
      {plans && !approves && draft.status === 'approved' && dirty ? (
        <p className="quiet mt-2 text-sm">Once changed, it is a draft again until somebody approves it.</p>
      ) : null}
      {plans && !approves && kept && !dirty && draft.status === 'draft' ? (
        <p className="quiet mt-2 text-sm">It prices nothing yet: somebody who approves has to look at it.</p>
      ) : null}
      {plans ? null : <p className="quiet text-sm">Your role looks at promotions; planners change them.</p>}
    </div>
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
