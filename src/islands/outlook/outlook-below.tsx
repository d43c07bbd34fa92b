import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { LensView, OutlookView } from '../../contracts/view/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalOf, useResting } from '../server/index.ts';
import { ASSUMED_AT_FIRST, assumedOf } from './assumed.ts';
import { AssumedForm } from './assumed-form.tsx';
import { DayChart, type Measure } from './day-chart.tsx';
import { MeasureChoice } from './measure-choice.tsx';
import { OutlookSum } from './outlook-sum.tsx';
import { DaysTable, GoodsTable, LosingTable } from './outlook-tables.tsx';

const TYPING = 500;

/** What a draft would bring, below it, opened on demand. */
export function OutlookBelow({
  promotion,
  broken,
  view,
}: {
  /** Null: it is not one yet. */
  promotion: PromotionDocument | null;
  broken: boolean;
  view: LensView;
}) {
  const [open, setOpen] = useState(false);
  if (promotion === null) return null;
  return (
    <section aria-label="What it would bring" className="min-w-0 border-base-300 border-t pt-4 xl:col-span-2">
      <h2 className="text-xl">
        <button type="button" className="link-hover" aria-expanded={open} onClick={() => setOpen(!open)}>
          <span aria-hidden="true">{open ? '▾' : '▸'}</span> What it would bring
        </button>
      </h2>
      {open ? (
        <Opened promotion={promotion} broken={broken} view={view} />
      ) : (
        <p className="quiet text-sm">
          Units, takings and margin by day at an assumed demand, what other goods lose, and the last time.
        </p>
      )}
    </section>
  );
}

function Opened({
  promotion,
  broken,
  view,
}: {
  promotion: PromotionDocument;
  broken: boolean;
  view: LensView;
}) {
  const [typed, setTyped] = useState(ASSUMED_AT_FIRST);
  const [measure, setMeasure] = useState<Measure>('takings');
  const assumed = assumedOf(typed);
  const body = useResting(assumed && { promotion, assumed }, TYPING);
  const { data, error, isFetching } = useQuery({
    queryKey: ['outlook', body],
    queryFn: ({ signal }) => ask<OutlookView>('/api/promotions/outlook', { method: 'POST', body }, signal),
    enabled: body !== null && !broken,
    placeholderData: (before) => before,
    // Where others wait too, it is asked once more.
    retry: 1,
  });
  const isDeal = promotion.offer.kind !== 'priceChange';
  const margins = data?.whole.with.margin !== null;
  return (
    <div aria-busy={isFetching}>
      <AssumedForm typed={typed} onChange={setTyped} of={isDeal ? 'deal' : 'prices'} />
      {error ? (
        <Notice tone="trouble" className="mt-3">
          {refusalOf(error).message}
        </Notice>
      ) : null}
      {data ? (
        <>
          <OutlookSum outlook={data} view={view} />
          <MeasureChoice margins={margins} measure={measure} onMeasure={setMeasure} />
          <DayChart days={data.days} measure={measure} />
          <DaysTable outlook={data} margins={margins} view={view} />
          <LosingTable outlook={data} margins={margins} />
          <GoodsTable outlook={data} margins={margins} typed={typed} onChange={setTyped} />
        </>
      ) : (
        <p className="quiet mt-3" role="status">
          Working it out, store by store and day by day …
        </p>
      )}
    </div>
  );
}
