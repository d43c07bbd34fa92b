import type { OpenedPromotion } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';

/** Somebody saved in between: theirs, or going on with one's own. */
export function Conflict({
  theirs,
  onTake,
  onKeep,
}: {
  theirs: Pick<OpenedPromotion, 'promotion'>;
  onTake: () => void;
  onKeep: () => void;
}) {
  return (
    <Notice tone="trouble" className="mt-4">
      <p>
        Somebody saved this promotion after you opened it. What you wrote is still here, and nothing was
        overwritten.
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={onTake}>
          Show theirs: “{theirs.promotion.name}”
        </button>
        <button type="button" className="btn btn-sm" onClick={onKeep}>
          Go on with mine; saving will replace theirs
        </button>
      </p>
    </Notice>
  );
}
