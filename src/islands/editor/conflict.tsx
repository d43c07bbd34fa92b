import { useState } from 'react';
import { mergePromotions, type PromotionDocument, type PromotionPart } from '../../core/plan/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { type Opened, savedSince, written } from './desk.ts';
import { Differences } from './differences.tsx';
import { partWords } from './part-words.ts';

/**
 * Somebody saved in between: what they changed, and both put together. In parts that both wrote one says whose counts;
 * nothing is saved by that.
 */
export function Conflict({
  base,
  mine,
  theirs,
  onTake,
  onMerge,
}: {
  /** What both began with. */
  base: Opened;
  mine: PromotionDocument;
  theirs: Opened;
  onTake: () => void;
  onMerge: (merged: PromotionDocument) => void;
}) {
  const [chosen, setChosen] = useState<ReadonlySet<PromotionPart>>(new Set());
  const { merged, touching } = mergePromotions(written(base), mine, written(theirs), chosen);
  const saves = savedSince(base, theirs);
  const choose = (part: PromotionPart, isTheirs: boolean) =>
    setChosen(new Set(isTheirs ? [...chosen, part] : [...chosen].filter((one) => one !== part)));
  return (
    <Notice tone="trouble" className="mt-4 text-sm">
      <section aria-label="What somebody else changed">
        <p>
          {[...new Set(saves.map(({ person }) => person ?? 'Bell Tag'))].join(', ') || 'Somebody'} saved this
          after you opened it. What you wrote is still here, and nothing was overwritten.
        </p>
        {saves
          .filter(({ differences }) => differences.length > 0)
          .map(({ id, differences }) => (
            <Differences key={id} of={differences} heads={['When you opened it', 'Now']} />
          ))}
        <p className="mt-2">
          {touching.length === 0
            ? 'You wrote other parts: both can be kept.'
            : 'Both of you wrote what stands below; say whose counts.'}
        </p>
        {touching.map((part) => (
          <fieldset key={part} className="mt-1 flex flex-wrap gap-x-4">
            <legend className="float-left mr-3 font-medium">{partWords(part)}</legend>
            {[false, true].map((isTheirs) => (
              <label key={String(isTheirs)} className="flex items-center gap-1.5">
                <input
                  type="radio"
                  className="radio radio-sm"
                  checked={chosen.has(part) === isTheirs}
                  onChange={() => choose(part, isTheirs)}
                />
                {isTheirs ? 'theirs' : 'mine'}
              </label>
            ))}
          </fieldset>
        ))}
        <p className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="btn btn-primary btn-sm" onClick={() => onMerge(merged)}>
            Put both together
          </button>
          <button type="button" className="btn btn-sm" onClick={onTake}>
            Show theirs alone
          </button>
        </p>
      </section>
    </Notice>
  );
}
