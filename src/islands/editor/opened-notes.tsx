import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import type { Opened } from './desk.ts';

/** What is looked at, where that is not simply what stands: a past state, or what was not saved. */
export function OpenedNotes({
  past,
  kept,
  view,
  unsaved,
  onPutAside,
}: {
  past: { readonly at: string; readonly action: string } | null;
  kept: Opened | null;
  view: LensView;
  /** Null: nothing that was kept unsaved is shown. `overtaken`: somebody saved since it was begun. */
  unsaved: { readonly overtaken: boolean } | null;
  onPutAside: () => void;
}) {
  return (
    <>
      {past && kept ? (
        <Notice tone="news" className="mt-2 text-sm">
          This is how it stood when it was {past.action}. Nothing is changed here.{' '}
          <a className="link" href={`/plan/${idInAddress(kept.promotion.id)}${lensQuery(view.lens)}`}>
            See it as it stands
          </a>
        </Notice>
      ) : null}
      {unsaved ? (
        <Notice tone="news" className="mt-2 text-sm">
          This is what you were writing, not saved yet
          {unsaved.overtaken ? '; it was saved by somebody in between' : ''}.{' '}
          <button type="button" className="link" onClick={onPutAside}>
            Put it aside
          </button>
        </Notice>
      ) : null}
    </>
  );
}
