import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type Preview, type PreviewLine } from '../../contracts/view/index.ts';
import { PriceTag } from '../../ui/pieces/index.ts';
import { LOST_REASON_WORDS } from '../../ui/words/index.ts';
import { saidAmount, saidCount, saidPercent, saidTimes, shortMoment } from '../../ui/writing/index.ts';
import { BesideFrame } from '../sentence/beside-frame.tsx';
import { NeverSeen } from '../sentence/never-seen.tsx';

/** What the draft does, beside it. */
export function ConsequencesBeside({
  preview,
  asking,
  waitingFor,
  broken,
  brief = false,
  view,
}: {
  preview: Preview | null;
  asking: boolean;
  waitingFor: string | null;
  /** The draft cannot be worked out as it stands; what is shown is older. */
  broken: boolean;
  /** The lines stand elsewhere on the page. */
  brief?: boolean;
  view: LensView;
}) {
  return (
    <BesideFrame
      asking={asking}
      waiting={
        waitingFor && `Choose ${waitingFor}, and every price that changes stands here while you write.`
      }
      broken={broken}
    >
      {preview ? (
        <>
          <Summary preview={preview} view={view} />
          <Terms preview={preview} />
          <Meets preview={preview} view={view} />
          {brief ? null : <Lines preview={preview} view={view} />}
        </>
      ) : null}
    </BesideFrame>
  );
}

function Summary({ preview, view }: { preview: Preview; view: LensView }) {
  const { lookedAt, items, stores, changed, belowCost, belowFloor, raised, kept, differing } = preview;
  if (!lookedAt) return <NeverSeen stores={stores} />;
  return (
    <>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-6">
        <Figure value={changed} words={`of ${saidCount(items)} items change price`} />
        <Figure value={stores} words={stores === 1 ? 'store' : 'stores'} />
        {belowCost > 0 ? <Figure value={belowCost} words="below cost" alarming /> : null}
        {belowFloor > 0 ? <Figure value={belowFloor} words="under the margin floor" /> : null}
        {raised > 0 ? (
          <Figure value={raised} words={raised === 1 ? 'gets dearer' : 'get dearer'} alarming />
        ) : null}
      </p>
      {kept > 0 ? (
        <p className="mt-1 text-error text-sm">
          It would make {kept === 1 ? 'one item' : `${saidCount(kept)} items`} dearer, by its rounding or its
          formula: {kept === 1 ? 'it keeps its price' : 'they keep their price'}.
        </p>
      ) : null}
      <p className="quiet text-sm">
        {items === 0
          ? `No store of it sells any of these goods on ${shortMoment(lookedAt.at, view.now)}.`
          : `Counted over all its stores; prices as in ${lookedAt.storeName}, ${shortMoment(lookedAt.at, view.now)}.`}
        {differing > 0
          ? ` ${saidCount(differing)} ${differing === 1 ? 'item costs' : 'items cost'} something else in other stores.`
          : ''}
      </p>
    </>
  );
}

function Figure({ value, words, alarming = false }: { value: number; words: string; alarming?: boolean }) {
  return (
    <span className={alarming ? 'text-error' : ''}>
      <span className="font-serif text-3xl">{saidCount(value)}</span> {words}
    </span>
  );
}

/** The promotion runs on after the last day on which its goods can be bought on these terms. */
function Terms({ preview: { terms } }: { preview: Preview }) {
  if (!terms) return null;
  if (terms.daysAfter === null || terms.cover === null)
    return (
      <p className="mt-2 text-error text-sm">
        It has no end, but the supplier’s terms do: sooner or later the goods cost what they always cost.
      </p>
    );
  return (
    <p className="mt-2 text-error text-sm">
      It runs on {terms.daysAfter} {terms.daysAfter === 1 ? 'day' : 'days'} after the last day of buying. What
      is bought before must last for {saidAmount((terms.cover / 100).toFixed(1))} weeks of ordinary sale.
    </p>
  );
}

function Meets({ preview, view }: { preview: Preview; view: LensView }) {
  if (preview.meets.length === 0) return null;
  return (
    <ul className="mt-3 text-sm">
      {preview.meets.slice(0, 4).map(({ id, name, priority, items, wins }) => (
        <li key={id}>
          {wins ? 'Loses to' : 'Takes over from'}{' '}
          <a className="link" href={`/plan/${idInAddress(id)}${lensQuery(view.lens)}`}>
            {name}
          </a>{' '}
          (priority {priority}) on {saidCount(items)} {items === 1 ? 'item' : 'items'}.
        </li>
      ))}
    </ul>
  );
}

function Lines({ preview, view }: { preview: Preview; view: LensView }) {
  if (preview.lines.length === 0) return null;
  const at = preview.lookedAt?.at ?? view.at;
  const link = ({ sku, elsewhere }: PreviewLine) => {
    const where = elsewhere?.id ?? preview.lookedAt?.store ?? view.lens.where;
    return `/check/price${lensQuery({ ...view.lens, where, at: at.slice(0, 16) }, { item: sku })}`;
  };
  return (
    <section
      className="relative mt-3 max-h-[max(20rem,calc(100vh-16rem))] overflow-auto"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keys.
      tabIndex={0}
      aria-label="Prices that change"
    >
      <table className="rows text-sm">
        <thead className="sticky top-0 bg-base-100">
          <tr>
            <th className="w-[45%]">Item</th>
            <th className="figure">Before, after</th>
            <th className="figure">Margin</th>
            <th
              className="figure"
              title="How many times as many units must be sold to earn the same as before"
            >
              Break-even
            </th>
          </tr>
        </thead>
        <tbody>
          {preview.lines.map((line) => (
            <Line key={line.sku} line={line} href={link(line)} />
          ))}
        </tbody>
      </table>
      {preview.items > preview.lines.length ? (
        <p className="quiet py-2 text-sm">
          The first {preview.lines.length} of {saidCount(preview.items)} items.
        </p>
      ) : null}
    </section>
  );
}

function Line({ line, href }: { line: PreviewLine; href: string }) {
  const { before, after, margin, breakEven, lost, name, cost, elsewhere, range, worst } = line;
  return (
    <tr>
      <td>
        <a className="hover:underline" href={href}>
          {name}
        </a>
        {elsewhere ? <span className="quiet block text-[13px]">as in {elsewhere.name}</span> : null}
        {lost ? <span className="quiet block text-[13px]">{LOST_REASON_WORDS[lost]}</span> : null}
        {worst ? <Worst of={worst} /> : null}
      </td>
      <td className="figure">
        <PriceTag price={after} former={before} promoted={after !== before} />
        {range ? (
          <span className="quiet block whitespace-nowrap text-[13px]">
            {saidAmount(range.low)} to {saidAmount(range.high)} in all
          </span>
        ) : null}
      </td>
      <td className={`figure ${margin !== null && margin < 0 ? 'text-error' : ''}`}>
        {margin === null ? '' : saidPercent(margin)}
        {margin !== null && margin < 0 ? <span className="sr-only"> below cost</span> : null}
      </td>
      <td className="figure">
        {after === before ? '' : breakEven === null ? (cost === null ? '' : 'never') : saidTimes(breakEven)}
      </td>
    </tr>
  );
}

/** The store in which least is left. */
function Worst({ of: { name, margin } }: { of: NonNullable<PreviewLine['worst']> }) {
  const lost = margin === null || margin < 0;
  return (
    <span className={`block text-[13px] ${lost ? 'text-error' : 'quiet'}`}>
      {margin === null ? 'all of it lost' : `${saidPercent(margin)} left`} in {name}
    </span>
  );
}
