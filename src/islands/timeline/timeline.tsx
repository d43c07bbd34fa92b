import { useQuery } from '@tanstack/react-query';
import { useEffect, useReducer } from 'react';
import {
  type Choices,
  type LensView,
  lensQuery,
  TIMELINE_SPANS,
  type TimelineView,
} from '../../contracts/view/index.ts';
import { ChoiceRow, Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { ItemSearch } from '../check/index.ts';
import { NodeChoice } from '../grid/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { addressOf, type TimelineDesk, timelineAfter, timelineDesk } from './desk.ts';
import { Lanes } from './lanes.tsx';
import { StepsTable } from './steps-table.tsx';

/** How prices go over time: an item across stores, or a group of goods in one store. */
export function Timeline({ view, address }: { view: LensView; address: string }) {
  return (
    <WithServer>
      <Desk view={view} address={address} />
    </WithServer>
  );
}

const SPAN_WORDS = { quarter: 'Three months', year: 'A year' } as const;

function Desk({ view, address }: { view: LensView; address: string }) {
  const [desk, tell] = useReducer(timelineAfter, timelineDesk(new URLSearchParams(address)));
  useAddress(desk, view);
  const { data: choices } = useQuery({
    queryKey: ['choices'],
    queryFn: () => ask<Choices>('/api/choices'),
    staleTime: 300_000,
  });
  const { about, span } = desk;
  const asked = new URLSearchParams({ ...(about ?? {}), at: view.at, span });
  if (view.lens.where) asked.set('where', view.lens.where);
  if (view.lens.shopper) asked.set('for', view.lens.shopper);
  if (view.lens.known) asked.set('known', view.lens.known);
  const { data, error, isFetching } = useQuery({
    queryKey: ['timeline', asked.toString()],
    queryFn: ({ signal }) => ask<TimelineView>(`/api/timeline?${asked}`, undefined, signal),
    enabled: about !== null,
  });
  const row = data?.rows[desk.row];
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <ItemSearch
          known={view.lens.known}
          onPick={(item) => tell({ type: 'asked', about: { item } })}
          startOpen={about === null}
        />
        <NodeChoice
          nodes={choices?.nodes ?? []}
          chosen={about && 'node' in about ? about.node : null}
          none="or a group of goods"
          onChoose={(node) => tell({ type: 'asked', about: node ? { node } : null })}
        />
        <ChoiceRow
          name="How long"
          choices={TIMELINE_SPANS.map((value) => ({ value, words: SPAN_WORDS[value] }))}
          chosen={span}
          onChoose={(next) => tell({ type: 'spanned', span: next })}
        />
      </div>
      {error ? (
        <Notice tone="trouble" className="mt-4">
          {refusalOf(error).message}{' '}
          {refusalOf(error)
            .faults.map(({ message }) => message)
            .join('; ')}
        </Notice>
      ) : null}
      {about === null ? (
        <p className="quiet mt-6">
          Find an item to see its price in every store over time, or choose a group of goods to see all of
          them in one store.
        </p>
      ) : null}
      {isFetching && !data ? (
        <p className="quiet mt-6" role="status">
          Working out the steps …
        </p>
      ) : null}
      {data ? <Head timeline={data} view={view} /> : null}
      {data && data.rows.length > 0 ? <Lanes timeline={data} desk={desk} tell={tell} view={view} /> : null}
      {data?.rows.length === 0 ? <p className="quiet mt-6">There are no goods in this group.</p> : null}
      {row ? <StepsTable row={row} number={desk.row} step={desk.step} tell={tell} view={view} /> : null}
    </>
  );
}

function Head({ timeline: { of, rows, cut, currency }, view }: { timeline: TimelineView; view: LensView }) {
  const where = of === 'group' ? `in ${rows[0]?.stores[0]?.name ?? view.store.name}` : 'store by store';
  return (
    <p className="mt-3 text-sm">
      <strong className="font-medium">
        {of === 'item' ? rows[0]?.name : `${saidCount(rows.length + cut)} items`}
      </strong>{' '}
      <span className="quiet">
        {where}, in {currency}, {view.shopper ? `to ${view.shopper.name}` : 'to a guest'}. Filled: a promotion
        sets the price; +2: so many others would price it too.
        {cut > 0 ? ` ${saidCount(cut)} more are not drawn.` : ''}
      </span>
    </p>
  );
}

/** The address names what is looked at, so that it can be passed on. */
function useAddress(desk: TimelineDesk, { lens }: LensView): void {
  const here = `/check/timeline${lensQuery(lens, addressOf(desk))}`;
  useEffect(() => {
    if (location.pathname + location.search !== here) history.replaceState(null, '', here);
  }, [here]);
}
