import type { Choices, LensView } from '../../contracts/view/index.ts';
import { DealForm } from '../deal/index.ts';
import { type Draft, isDeal } from '../draft/draft.ts';
import type { Refusal } from '../server/index.ts';
import { SentenceForm } from './sentence-form.tsx';

/** The sentence of the draft, of whatever kind it is. */
export function DraftForm({
  draft,
  choices,
  waiting,
  faults,
  locked,
  view,
  knownNames,
  onChange,
}: {
  draft: Draft;
  /** Null: not known yet; `waiting` says why. */
  choices: Choices | null;
  waiting: string;
  faults: Refusal['faults'];
  locked: boolean;
  view: LensView;
  /** Names of goods that a deal speaks of, as far as they are known. */
  knownNames: Readonly<Record<string, string>>;
  onChange: (draft: Draft) => void;
}) {
  if (!choices)
    return (
      <p className="quiet mt-4" role="status">
        {waiting}
      </p>
    );
  const form = { choices, faults, locked, looking: { store: view.store.id, at: view.at }, onChange };
  return isDeal(draft) ? (
    <DealForm draft={draft} knownNames={knownNames} {...form} />
  ) : (
    <SentenceForm draft={draft} {...form} />
  );
}
