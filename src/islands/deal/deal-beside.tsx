import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type DealPreview, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount, shortMoment } from '../../ui/writing/index.ts';
import type { TrialLine } from '../basket/index.ts';
import type { DealDraft } from '../draft/draft.ts';
import { NEW_DEAL } from '../draft/draft.ts';
import { goodsChosen } from '../draft/goods-chosen.ts';
import { BesideFrame } from '../sentence/beside-frame.tsx';
import { NeverSeen } from '../sentence/never-seen.tsx';
import { DealTrial } from './deal-trial.tsx';
import { inEditor } from './kinds.ts';
import { StepTable } from './step-table.tsx';
import { warningWords } from './warning-words.ts';

const WAITING =
  'Choose the goods in the sentence, and what shoppers pay at every step, what is left of the margin and a trial receipt stand here while you write.';

/** What a deal over the basket does, beside it. */
export function DealBeside({
  draft,
  preview,
  asking,
  broken,
  tried,
  onTry,
  view,
}: {
  draft: DealDraft;
  preview: DealPreview | null;
  asking: boolean;
  broken: boolean;
  /** The lines of the trial receipt that somebody chose; null: those that the server picks. */
  tried: readonly TrialLine[] | null;
  onTry: (lines: readonly TrialLine[] | null) => void;
  view: LensView;
}) {
  const [step, setStep] = useState<number | null>(null);
  const { ShelfCard } = inEditor(draft.offer);
  return (
    <BesideFrame asking={asking} waiting={goodsChosen(draft.offer) ? null : WAITING} broken={broken}>
      {preview ? (
        <>
          <Reach preview={preview} view={view} />
          <Warnings preview={preview} draft={draft} />
          {ShelfCard ? <ShelfCard offer={draft.offer} preview={preview} /> : null}
          <StepTable
            preview={preview}
            chosen={tried ? step : null}
            onChoose={(at) => {
              setStep(at);
              onTry(
                preview.steps[at]!.lines.map(({ sku, quantity }) => ({ sku, quantity: String(quantity) })),
              );
            }}
          />
          <Rivals preview={preview} view={view} />
          <DealTrial
            preview={preview}
            id={draft.id || NEW_DEAL}
            onTry={(lines) => {
              setStep(null);
              onTry(lines);
            }}
          />
        </>
      ) : null}
    </BesideFrame>
  );
}

function Reach({ preview: { stores, items, lookedAt }, view }: { preview: DealPreview; view: LensView }) {
  if (!lookedAt) return <NeverSeen stores={stores} />;
  return (
    <p className="quiet mt-1 text-sm">
      {items.join(' + ')} {items.length === 1 && items[0] === 1 ? 'item' : 'items'} to choose from, in{' '}
      {saidCount(stores)} {stores === 1 ? 'store' : 'stores'}; looked at in {lookedAt.storeName},{' '}
      {shortMoment(lookedAt.at, view.now)}.
    </p>
  );
}

function Warnings({ preview, draft }: { preview: DealPreview; draft: DealDraft }) {
  if (preview.warnings.length === 0) return null;
  return (
    <Notice tone="trouble" still>
      <ul className="space-y-1">
        {preview.warnings.map((warning) => {
          const words = warningWords(warning, draft.offer, preview);
          return <li key={words}>{words}</li>;
        })}
      </ul>
    </Notice>
  );
}

const RIVALS_SHOWN = 4;

function Rivals({ preview: { rivals }, view }: { preview: DealPreview; view: LensView }) {
  if (rivals.length === 0) return null;
  return (
    <p className="mt-3 text-sm">
      Wanted by other deals too; each unit goes where the shopper saves most:{' '}
      {rivals.slice(0, RIVALS_SHOWN).map(({ id, name, items }, i) => (
        <span key={id}>
          {i > 0 ? ', ' : ''}
          <a className="link" href={`/plan/${idInAddress(id)}${lensQuery(view.lens)}`}>
            {name}
          </a>{' '}
          ({saidCount(items)} {items === 1 ? 'item' : 'items'})
        </span>
      ))}
      {rivals.length > RIVALS_SHOWN ? ` and ${rivals.length - RIVALS_SHOWN} more` : ''}.
    </p>
  );
}
