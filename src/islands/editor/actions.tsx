import { sheetOf, wholeOf } from '../draft/draft.ts';
import { actionsFor, stepsFor } from './actions-for.ts';
import { SendBack } from './send-back.tsx';
import type { DeskActions } from './use-desk.ts';
import type { Keeping } from './use-kept-draft.ts';
import { useSaveKey } from './use-save-key.ts';

const KEEPING_WORDS: Readonly<Record<Keeping, string>> = {
  nothing: '',
  keeping: '',
  kept: 'Kept for you, not saved yet.',
  'not-kept': 'Not kept: Bell Tag does not answer. Leave this page open.',
};

interface ActionsProps {
  readonly at: DeskActions;
  readonly plans: boolean;
  readonly approves: boolean;
  readonly sendPath: string;
  readonly keeping: Keeping;
  /** Items that the draft would sell below cost. */
  readonly belowCost: number;
}

/** What can be done with the draft as it stands, and where saving stands. */
export function Actions({ at, plans, approves, sendPath, keeping, belowCost }: ActionsProps) {
  const { dirty, onSave, onStep, onUndo, onRedo } = at;
  const { draft, kept, saving } = at.desk;
  const actions = actionsFor(draft.status, { dirty, isNew: kept === null, plans, approves }, kept);
  const steps = stepsFor(kept, { dirty, plans, approves });
  const busy = saving.kind === 'saving';
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
          <Press key={words} {...{ words, main, busy }} onPress={() => onStep({ step }, done)} />
        ))}
        {actions.map(({ words, status, done, main }) => (
          <Press
            key={words}
            words={words}
            main={main && !steps.some((one) => one.main)}
            busy={busy || missing.length > 0}
            onPress={() => onSave(status, done)}
          />
        ))}
        {plans && onUndo ? <Move words="Undo" onPress={onUndo} /> : null}
        {plans && onRedo ? <Move words="Redo" onPress={onRedo} /> : null}
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
      {kept?.waiting?.state === 'submitted' && approves && !dirty ? (
        <SendBack busy={busy} onSend={(reason) => onStep({ step: 'send-back', reason }, 'Sent back.')} />
      ) : null}
      <WhatComesNext at={at} plans={plans} approves={approves} />
    </div>
  );
}

function Press({
  words,
  main,
  busy,
  onPress,
}: {
  words: string;
  main: boolean;
  busy: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      className={`btn btn-sm ${main ? 'btn-primary' : ''}`}
      disabled={busy}
      onClick={onPress}
    >
      {words}
    </button>
  );
}

function Move({ words, onPress }: { words: string; onPress: () => void }) {
  return (
    <button type="button" className="btn btn-ghost btn-sm" onClick={onPress}>
      {words}
    </button>
  );
}

/** What saving leads to, or what is to be done after it. */
function WhatComesNext({ at, plans, approves }: Pick<ActionsProps, 'at' | 'plans' | 'approves'>) {
  const { dirty } = at;
  const { draft, kept } = at.desk;
  const note = 'quiet mt-2 text-sm';
  if (!plans) return <p className="quiet text-sm">Your role looks at promotions; planners change them.</p>;
  if (draft.status === 'approved' && dirty && (kept?.rules.another || !approves))
    return (
      <p className={note}>
        Saved, this waits beside what is approved; a new name, notes, badge or label counts at once.
      </p>
    );
  const toSubmit = kept && !dirty && draft.status === 'draft' && kept.waiting?.state !== 'submitted';
  if (toSubmit && (kept.rules.another || !approves))
    return <p className={note}>It prices nothing yet. Submit it, and somebody else approves it.</p>;
  return null;
}
