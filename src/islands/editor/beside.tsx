import type { LensView } from '../../contracts/view/index.ts';
import type { TrialLine } from '../basket/index.ts';
import { DealBeside } from '../deal/index.ts';
import { type Draft, isDeal, sheetOf, wholeOf } from '../draft/draft.ts';
import { ConsequencesBeside } from './consequences-beside.tsx';
import type { DraftPreview } from './use-preview.ts';

/** What the draft would do, beside its sentence. */
export function Beside({
  draft,
  preview,
  tried,
  onTry,
  view,
}: {
  draft: Draft;
  preview: DraftPreview;
  tried: readonly TrialLine[] | null;
  onTry: (lines: readonly TrialLine[] | null) => void;
  view: LensView;
}) {
  const { asking, refusal } = preview;
  const shown = { asking, broken: refusal !== null, view };
  if (isDeal(draft))
    return <DealBeside draft={draft} preview={preview.deal} tried={tried} onTry={onTry} {...shown} />;
  const sheet = sheetOf(draft) !== null;
  return (
    <ConsequencesBeside
      brief={sheet}
      preview={preview.prices}
      waitingFor={wholeOf(draft) === null ? (sheet ? 'the lines' : 'the goods') : null}
      {...shown}
    />
  );
}
