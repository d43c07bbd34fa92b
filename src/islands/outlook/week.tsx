import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type LensView, lensQuery, type WeekView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { monthDay, saidCount } from '../../ui/writing/index.ts';
import { ask, refusalOf, useResting, WithServer } from '../server/index.ts';
import { ASSUMED_AT_FIRST, assumedOf } from './assumed.ts';
import { AssumedForm } from './assumed-form.tsx';
import { ComparedFigures, ComparedHeads, saidEstimate } from './compared.tsx';
import { DayChart, type Measure } from './day-chart.tsx';
import { MeasureChoice } from './measure-choice.tsx';

/** All promotions of seven days in one sum, department by department. */
export function Week({ view }: { view: LensView }) {
  return (
    <WithServer>
      <Desk view={view} />
    </WithServer>
  );
}

const TYPING = 500;

function Desk({ view }: { view: LensView }) {
  const [typed, setTyped] = useState(ASSUMED_AT_FIRST);
  const [measure, setMeasure] = useState<Measure>('takings');
  const assumed = assumedOf(typed);
  const where = view.lens.where ? { where: view.lens.where } : {};
  const body = useResting(assumed && { at: view.at, ...where, assumed }, TYPING);
  const { data, error, isFetching } = useQuery({
    queryKey: ['week', body],
    queryFn: ({ signal }) => ask<WeekView>('/api/plan/week', { method: 'POST', body }, signal),
    enabled: body !== null,
    placeholderData: (before) => before,
    // Where others wait too, it is asked once more.
    retry: 1,
  });
  return (
    <div aria-busy={isFetching}>
      <AssumedForm typed={typed} onChange={setTyped} of="week" />
      {error ? (
        <Notice tone="trouble" className="mt-3">
          {refusalOf(error).message}
        </Notice>
      ) : null}
      {data ? (
        <Told week={data} measure={measure} onMeasure={setMeasure} view={view} />
      ) : (
        <p className="quiet mt-4" role="status">
          Adding up seven days …
        </p>
      )}
    </div>
  );
}

function Told({
  week,
  measure,
  onMeasure,
  view,
}: {
  week: WeekView;
  measure: Measure;
  onMeasure: (measure: Measure) => void;
  view: LensView;
}) {
  const margins = week.whole.with.margin !== null;
  return (
    <>
      <p className="mt-3 text-lg">{sumWords(week)}</p>
      <p className="quiet text-sm">
        Seven days from {monthDay(week.from)}, in {saidCount(week.stores.of)}{' '}
        {week.stores.of === 1 ? 'store' : 'stores'}.
        {week.stores.looked < week.stores.of
          ? ` Worked out in ${saidCount(week.stores.looked)} of them, for all.`
          : ''}{' '}
        Rewards on the whole basket are left out.
        {week.withoutCost > 0
          ? ` ${saidCount(week.withoutCost)} goods have no cost: their margin is left out.`
          : ''}
      </p>
      <div className="mt-3">
        <MeasureChoice margins={margins} measure={measure} onMeasure={onMeasure} />
      </div>
      <DayChart days={week.days} measure={measure} />
      <Departments week={week} margins={margins} view={view} />
    </>
  );
}

function sumWords({ whole: { without, with: during }, currency }: WeekView): string {
  const more = Number(during.takings) - Number(without.takings);
  const words = `All promotions together take ${saidEstimate(during.takings)} ${currency}, ${saidEstimate(Math.abs(more))} ${more < 0 ? 'less' : 'more'} than none`;
  if (during.margin === null) return `${words}.`;
  const earned = Number(during.margin) - Number(without.margin);
  return `${words}, and earn ${saidEstimate(Math.abs(earned))} ${currency} ${earned < 0 ? 'less' : 'more'}.`;
}

function Departments({ week, margins, view }: { week: WeekView; margins: boolean; view: LensView }) {
  return (
    <section aria-label="By department" className="mt-4 max-w-5xl overflow-x-auto">
      <table className="rows text-sm">
        <thead>
          <tr>
            <th>Department</th>
            <th className="figure">Promoted</th>
            <ComparedHeads margins={margins} />
          </tr>
        </thead>
        <tbody>
          {week.departments.map((one) => (
            <tr key={one.id}>
              <td>
                <a className="link" href={`/check${lensQuery(view.lens, { node: one.id })}`}>
                  {one.name}
                </a>
              </td>
              <td className="figure">
                {saidCount(one.promoted)} of {saidCount(one.goods)}
              </td>
              <ComparedFigures of={one} margins={margins} />
            </tr>
          ))}
        </tbody>
        <tfoot className="sticky bottom-0 bg-base-100">
          <tr className="font-semibold">
            <td>In all</td>
            <td />
            <ComparedFigures of={week.whole} margins={margins} />
          </tr>
        </tfoot>
      </table>
    </section>
  );
}
