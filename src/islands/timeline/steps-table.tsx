import { useEffect, useRef } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type TimelineRow, type TimelineStep } from '../../contracts/view/index.ts';
import { PriceTag } from '../../ui/pieces/index.ts';
import { saidCount, shortMoment } from '../../ui/writing/index.ts';
import type { TimelineEvent } from './desk.ts';

const NAMED = 6;

/** The steps of one row in figures. */
export function StepsTable({
  row,
  number,
  step: chosen,
  tell,
  view,
}: {
  row: TimelineRow;
  number: number;
  step: number;
  tell: (event: TimelineEvent) => void;
  view: LensView;
}) {
  const { name, stores, steps, more } = row;
  const current = useRef<HTMLTableRowElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever another step is chosen
  useEffect(() => {
    const line = current.current;
    // The page itself stays where it is.
    const frame = line?.closest('div');
    if (line && frame) frame.scrollTop = line.offsetTop - frame.clientHeight / 2;
  }, [chosen, number]);
  return (
    <section aria-label="Its steps" className="mt-6">
      <h2 className="text-xl">{name}</h2>
      <p className="quiet text-sm" title={stores.map((one) => one.name).join(', ')}>
        in{' '}
        {stores
          .slice(0, NAMED)
          .map((one) => one.name)
          .join(', ')}
        {stores.length > NAMED ? ` and ${saidCount(stores.length - NAMED)} more` : ''}
      </p>
      <div className="relative mt-2 max-h-72 overflow-y-auto">
        <table className="rows text-sm">
          <thead className="sticky top-0 bg-base-100">
            <tr>
              <th>From</th>
              <th>To</th>
              <th className="figure">Price</th>
              <th>Through</th>
              <th>Would price it too</th>
            </tr>
          </thead>
          <tbody>
            {steps.map((step, s) => (
              <tr
                key={step.from}
                ref={s === chosen ? current : undefined}
                aria-selected={s === chosen}
                className={s === chosen ? 'bg-base-200' : ''}
                onClick={() => tell({ type: 'went', row: number, step: s })}
              >
                <td className="whitespace-nowrap">
                  <a className="link" href={priceAt(step, row, view)}>
                    {shortMoment(step.from, view.now)}
                  </a>
                </td>
                <td className="whitespace-nowrap">{shortMoment(step.to, view.now)}</td>
                <td className="figure">
                  {step.price === null ? (
                    'not sold'
                  ) : (
                    <PriceTag price={step.price} promoted={step.promotion !== null} />
                  )}
                </td>
                <td>{step.promotion ? <Named of={step.promotion} view={view} /> : ''}</td>
                <td>
                  {step.others.map((other, i) => (
                    <span key={other.id}>
                      {i > 0 ? ', ' : ''}
                      <Named of={other} view={view} />
                    </span>
                  ))}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {more > 0 ? (
        <p className="quiet mt-1 text-sm">
          It changes {saidCount(more)} times more; the first {saidCount(steps.length)} are told. Look at a
          shorter time for the others.
        </p>
      ) : null}
    </section>
  );
}

const Named = ({ of: { id, name }, view }: { of: { id: string; name: string }; view: LensView }) => (
  <a className="link" href={`/plan/${idInAddress(id)}${lensQuery(view.lens)}`}>
    {name}
  </a>
);

const priceAt = ({ from }: TimelineStep, { sku, stores }: TimelineRow, { lens }: LensView): string =>
  `/check/price${lensQuery({ ...lens, at: from.slice(0, 16), where: stores[0]!.id }, { item: sku })}`;
