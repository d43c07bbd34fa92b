import { type LensView, lensQuery, type OutlookView } from '../../contracts/view/index.ts';
import { monthDay, saidCount } from '../../ui/writing/index.ts';
import type { TypedAssumptions } from './assumed.ts';
import { ComparedFigures, ComparedHeads, saidEstimate } from './compared.tsx';

const HEAD = 'sticky top-0 bg-base-100';

/** Day by day, and in sum. */
export function DaysTable({
  outlook: { days, whole },
  margins,
  view,
}: {
  outlook: OutlookView;
  margins: boolean;
  view: LensView;
}) {
  return (
    <section
      aria-label="Day by day"
      className="relative mt-3 max-h-96 min-w-0 max-w-4xl overflow-auto"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keys.
      tabIndex={0}
    >
      <table className="rows text-sm">
        <thead className={HEAD}>
          <tr>
            <th>Day</th>
            <ComparedHeads margins={margins} />
          </tr>
        </thead>
        <tbody>
          {days.map((day) => (
            <tr key={day.date}>
              <td className="whitespace-nowrap">
                <a className="link" href={`/check${lensQuery({ ...view.lens, at: `${day.date}T12:00` })}`}>
                  {monthDay(day.date)}
                </a>
              </td>
              <ComparedFigures of={day} margins={margins} />
            </tr>
          ))}
        </tbody>
        <tfoot className="sticky bottom-0 bg-base-100">
          <tr className="font-semibold">
            <td>In all</td>
            <ComparedFigures of={whole} margins={margins} />
          </tr>
        </tfoot>
      </table>
    </section>
  );
}

/** Other goods of the same groups, which lose to it. */
export function LosingTable({ outlook: { losing }, margins }: { outlook: OutlookView; margins: boolean }) {
  if (losing.length === 0) return null;
  return (
    <section aria-label="What other goods lose" className="mt-6 min-w-0 max-w-4xl">
      <h3 className="font-semibold">What other goods of the same groups lose</h3>
      <div className="max-h-60 overflow-auto">
        <table className="rows text-sm">
          <thead className={HEAD}>
            <tr>
              <th>Group</th>
              <th className="figure">Units</th>
              <th className="figure">Takings</th>
              {margins ? <th className="figure">Margin</th> : null}
            </tr>
          </thead>
          <tbody>
            {losing.map(({ group, goods, lost, most }) => (
              <tr key={group}>
                <td>
                  {group}
                  <span className="quiet block text-[13px]">
                    {most.join(', ')}
                    {goods > most.length ? ` and ${saidCount(goods - most.length)} more` : ''}
                  </span>
                </td>
                <td className="figure">{saidEstimate(lost.units.toFixed(1))}</td>
                <td className="figure">{saidEstimate(lost.takings)}</td>
                {margins ? <td className="figure">{saidEstimate(lost.margin ?? '0')}</td> : null}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Its goods one by one, each with an uplift of its own where somebody knows better. */
export function GoodsTable({
  outlook: { goods, more },
  margins,
  typed,
  onChange,
}: {
  outlook: OutlookView;
  margins: boolean;
  typed: TypedAssumptions;
  onChange: (typed: TypedAssumptions) => void;
}) {
  const write = (sku: string, text: string) =>
    onChange({ ...typed, upliftOf: { ...typed.upliftOf, [sku]: text } });
  return (
    <section aria-label="Its goods" className="mt-6 min-w-0 max-w-5xl">
      <h3 className="font-semibold">Its goods, what {margins ? 'earns' : 'takes'} most first</h3>
      <div className="max-h-96 overflow-auto">
        <table className="rows text-sm">
          <thead className={HEAD}>
            <tr>
              <th>Item</th>
              <th className="figure">% more</th>
              <ComparedHeads margins={margins} />
            </tr>
          </thead>
          <tbody>
            {goods.map((good) => (
              <tr key={good.sku}>
                <td>{good.name}</td>
                <td className="figure">
                  <input
                    className="input input-sm w-14 text-right"
                    inputMode="decimal"
                    aria-label={`Percent more of ${good.name}`}
                    value={typed.upliftOf[good.sku] ?? ''}
                    onChange={(event) => write(good.sku, event.target.value)}
                  />
                </td>
                <ComparedFigures of={good} margins={margins} />
              </tr>
            ))}
          </tbody>
        </table>
        {more > 0 ? <p className="quiet py-2 text-sm">and {saidCount(more)} more items.</p> : null}
      </div>
    </section>
  );
}
