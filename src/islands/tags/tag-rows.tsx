import { type LensView, lensQuery, type TagsView, type TagView } from '../../contracts/view/index.ts';
import { saidCount, shortMoment, timeIn } from '../../ui/writing/index.ts';
import { tagsOf } from './tags-of.ts';

export type OnHang = (
  tags: readonly { readonly sku: string; readonly edition: string }[],
  hung: boolean,
) => void;

/** The tags in the order of the shelves, each with a tick where the store is to hang it. */
export function TagRows({
  tags,
  view,
  busy,
  onHang,
  onAll,
}: {
  tags: TagsView;
  view: LensView;
  busy: boolean;
  onHang: OnHang | null;
  onAll: () => void;
}) {
  const open = tags.tags.filter(({ due, hung }) => due && hung === null);
  if (tags.tags.length === 0)
    return <p className="quiet mt-3">{tags.due === 0 ? 'No tag is another.' : 'No tag is meant by that.'}</p>;
  return (
    <>
      {onHang && open.length > 1 ? (
        <p className="mt-3">
          <button type="button" className="btn btn-sm" disabled={busy} onClick={() => onHang(open, true)}>
            All {saidCount(open.length)} shown here hang
          </button>
        </p>
      ) : null}
      <ul className="mt-2" aria-label="Shelf tags">
        {tags.tags.map((tag) => (
          <Row key={tag.sku} {...{ tag, view, busy, onHang }} />
        ))}
      </ul>
      {tags.meant > tags.tags.length ? (
        <p className="mt-2 text-sm">
          The first {saidCount(tags.tags.length)} of {tagsOf(tags.meant)}.{' '}
          <button type="button" className="link" onClick={onAll}>
            Show all
          </button>
        </p>
      ) : null}
    </>
  );
}

function Row({
  tag,
  view,
  busy,
  onHang,
}: {
  tag: TagView;
  view: LensView;
  busy: boolean;
  onHang: OnHang | null;
}) {
  const { sku, name, shelf, price, was, until, perUnit, lowest, promotion, deals, forSome, due, hung } = tag;
  const beside = [was, until, perUnit, lowest].filter((words) => words !== null).join(', ');
  return (
    <li className="hairline grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-4 gap-y-1 border-b py-2 md:grid-cols-[minmax(0,1fr)_18rem_9rem]">
      <span className="col-span-2 md:col-span-1">
        {shelf === null ? null : <span className="mr-2 font-medium">{shelf}</span>}
        <a className="hover:underline" href={`/check/price${lensQuery(view.lens, { item: sku })}`}>
          {name}
        </a>
        <span className="quiet block text-sm">
          {sku}
          {promotion ? `, ${promotion.name}` : ''}
        </span>
        {[...deals, ...forSome].map((words) => (
          <span key={words} className="block text-sm">
            {words}
          </span>
        ))}
      </span>
      <span>
        <span className={was === null ? 'font-medium' : 'price-tag'}>{price}</span>
        <span className="quiet block text-sm">{beside}</span>
      </span>
      <Tick {...{ tag, due, hung, view, busy, onHang }} />
    </li>
  );
}

function Tick({
  tag,
  due,
  hung,
  view,
  busy,
  onHang,
}: Pick<TagView, 'due' | 'hung'> & {
  tag: TagView;
  view: LensView;
  busy: boolean;
  onHang: OnHang | null;
}) {
  const by = hung && `${hung.by}, ${shortMoment(timeIn(view.store.timeZone, hung.at), view.now)}`;
  if (!due) return <span className="quiet text-sm md:w-36">hangs already</span>;
  if (!onHang) return <span className="quiet text-sm md:w-36">{by ?? 'to be hung'}</span>;
  return (
    <label className="flex items-start gap-2 py-1 text-sm md:w-36">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={hung !== null}
        disabled={busy}
        onChange={(event) => onHang([tag], event.target.checked)}
      />
      <span>
        hangs<span className="sr-only">: {tag.name}</span>
        {by ? <span className="quiet block">{by}</span> : null}
      </span>
    </label>
  );
}
