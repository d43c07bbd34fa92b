import type { TagsView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { refusalWords, useDoing } from '../server/index.ts';
import { askPrint } from './ask-print.ts';
import type { OnHang } from './tag-rows.tsx';
import { tagsOf } from './tags-of.ts';

/** Rows that are shown at once; the list on paper has all. */
const SHOWN = 200;

/** What must come off the shelf, with or without another tag in its place. */
export function OffShelf({
  tags,
  place,
  busy,
  onHang,
}: {
  tags: TagsView;
  place: { store: string; day: string };
  busy: boolean;
  onHang: OnHang | null;
}) {
  const printing = useDoing(['nothing']);
  if (tags.off.length === 0) return null;
  const gone = tags.off.filter((one) => one.gone);
  const print = () =>
    printing.doing(async () => {
      await askPrint({ ...place, paper: tags.papers[0]!.name, which: 'off' }, () => {});
      return 'The list is made.';
    });
  return (
    <section className="mt-8" aria-label="Off the shelf">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="text-xl">Off the shelf</h2>
        <p className="quiet text-sm">
          {tagsOf(tags.off.length)} of what is over
          {gone.length > 0 ? `; ${saidCount(gone.length)} of goods that are sold no more` : ''}
        </p>
        <button type="button" className="btn btn-sm ml-auto" disabled={printing.busy} onClick={() => print()}>
          Print the list
        </button>
      </div>
      <p role="status" className="text-sm">
        {printing.said}
      </p>
      {printing.refusal ? <Notice tone="trouble">{refusalWords(printing.refusal)}</Notice> : null}
      <ul className="mt-1" aria-label="Tags that come off">
        {tags.off.slice(0, SHOWN).map((one) => (
          <li
            key={one.sku}
            className="hairline grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-4 gap-y-1 border-b py-2 md:grid-cols-[minmax(0,1fr)_18rem_9rem]"
          >
            <span className="col-span-2 md:col-span-1">
              {one.shelf === null ? null : <span className="mr-2 font-medium">{one.shelf}</span>}
              {one.name}
              <span className="quiet block text-sm">
                {one.sku}, {one.gone ? 'sold no more' : `over: ${one.ended.join(', ')}`}
              </span>
            </span>
            <span className="quiet line-through">{one.said}</span>
            {one.gone && onHang ? (
              <label className="flex items-start gap-2 py-1 text-sm md:w-36">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={one.hung !== null}
                  disabled={busy}
                  onChange={(event) => onHang([one], event.target.checked)}
                />
                <span>
                  is off<span className="sr-only">: {one.name}</span>
                </span>
              </label>
            ) : (
              <span className="quiet text-sm md:w-36">{one.gone ? '' : 'another hangs there'}</span>
            )}
          </li>
        ))}
      </ul>
      {tags.off.length > SHOWN ? (
        <p className="mt-2 text-sm">
          The first {SHOWN} of {saidCount(tags.off.length)}; the list on paper has all of them.
        </p>
      ) : null}
    </section>
  );
}
