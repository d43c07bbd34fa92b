import { useState } from 'react';
import type { PrintTagsRequest } from '../../contracts/index.ts';
import type { TagsView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { refusalWords, useDoing } from '../server/index.ts';
import { askPrint } from './ask-print.ts';
import type { Which } from './asked.ts';
import { tagsOf } from './tags-of.ts';

const PAPER_KEPT = 'belltag-tag-paper';

/** Has the tags that are looked at made into a PDF, on the paper that was chosen last. */
export function Print({
  place,
  which,
  tags,
}: {
  place: { store: string; day: string };
  which: Which;
  tags: TagsView;
}) {
  const [paper, setPaper] = useState(() => localStorage.getItem(PAPER_KEPT) ?? tags.papers[0]!.name);
  const [far, setFar] = useState('');
  const { busy, said, refusal, doing } = useDoing(['nothing']);
  const known = tags.papers.some(({ name }) => name === paper) ? paper : tags.papers[0]!.name;
  const print = (what: PrintTagsRequest['which']) =>
    doing(async () => {
      setFar('Making the tags …');
      try {
        return await askPrint({ ...place, paper: known, which: what }, (done, of) =>
          setFar(`${saidCount(done)} of ${tagsOf(of)} …`),
        );
      } finally {
        setFar('');
      }
    });
  const left = tags.due - tags.done;
  return (
    <section className="mt-4" aria-label="Print">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <label className="text-sm">
          <span className="quiet block">Paper</span>
          <select
            className="select select-sm w-64"
            value={known}
            onChange={(event) => {
              localStorage.setItem(PAPER_KEPT, event.target.value);
              setPaper(event.target.value);
            }}
          >
            {tags.papers.map(({ name, title }) => (
              <option key={name} value={name}>
                {title}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={busy || tags.meant === 0}
          onClick={() => print(which)}
        >
          {which === 'changed' ? `Print ${tagsOf(tags.due)}` : 'Print these tags'}
        </button>
        {which === 'changed' && tags.done > 0 && left > 0 ? (
          <button type="button" className="btn btn-sm" disabled={busy} onClick={() => print('left')}>
            Only those still to do
          </button>
        ) : null}
        <p role="status" className="text-sm">
          {busy ? far : said}
        </p>
      </div>
      {tags.withoutBarcode > 0 ? (
        <p className="quiet mt-1 text-sm">
          {saidCount(tags.withoutBarcode)} {tags.withoutBarcode === 1 ? 'has' : 'have'} no number that can
          stand as bars (EAN-13 or EAN-8); {tags.withoutBarcode === 1 ? 'it shows' : 'they show'} the item
          number alone.
        </p>
      ) : null}
      {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
    </section>
  );
}
