import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useMemo, useReducer } from 'react';
import { type LensView, lensQuery, type PromotionSummary } from '../../contracts/view/index.ts';
import { phaseOf } from '../../ui/phase.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { Begin } from './begin.tsx';
import { type Done, isKept, LIST_DESK, listAfter, matching } from './list-desk.ts';
import { ListTools } from './list-tools.tsx';
import { ManyBar } from './many-bar.tsx';
import { PromotionTable } from './promotion-table.tsx';
import { useCloseRows } from './use-close-rows.ts';

interface PlanListProps {
  readonly view: LensView;
  readonly plans: boolean;
  readonly approves: boolean;
}

export function PlanList(props: PlanListProps) {
  return (
    <WithServer>
      <List {...props} />
    </WithServer>
  );
}

function List({ view, plans, approves }: PlanListProps) {
  const [desk, tell] = useReducer(listAfter, LIST_DESK);
  const { kept, text, chosen, done } = desk;
  const sought = useDeferredValue(text.trim().toLowerCase());
  const rows = useCloseRows();
  const touching = useTouching(sought);
  const stores = placesOf(view);
  const { data, error, refetch } = useQuery({
    queryKey: ['promotions', stores],
    queryFn: () => ask<PromotionSummary[]>(`/api/promotions${stores ? `?stores=${stores}` : ''}`),
  });
  const all = useMemo(
    () => (data ?? []).map((promotion) => ({ promotion, phase: phaseOf(promotion, view.at) })),
    [data, view.at],
  );
  const found = matching(all, sought, touching);
  const shown = found.filter((one) => isKept(one, kept));
  const onDone = async (words: string, undo: Done['undo']) => {
    tell({ type: 'done', done: { words, undo } });
    await refetch();
  };
  const onUndo = async (undo: NonNullable<Done['undo']>) => onDone(await undo().catch(whyNot), null);
  return (
    <>
      <Head view={view} plans={plans} />
      {plans ? <Begin view={view} /> : null}
      <ListTools {...{ desk, tell, all, found, shown, rows, view, plans }} />
      {done ? <DoneNote done={done} onUndo={onUndo} /> : null}
      {error ? (
        <Notice tone="trouble" className="mt-6">
          {refusalOf(error).message}{' '}
          <button type="button" className="link" onClick={() => refetch()}>
            Try again
          </button>
        </Notice>
      ) : null}
      {!data && !error ? (
        <p className="quiet mt-6" role="status">
          Reading the plan …
        </p>
      ) : null}
      {data && shown.length === 0 ? (
        <p className="quiet mt-6">
          {text ? `Nothing here matches “${text}”.` : 'No promotions here yet.'}{' '}
          {plans ? (
            <a className="link" href={`/plan/begin${lensQuery(view.lens)}`}>
              Make a promotion
            </a>
          ) : null}
        </p>
      ) : null}
      {shown.length > 0 ? (
        <PromotionTable
          rows={shown}
          close={rows.close}
          view={view}
          chosen={plans ? chosen : null}
          onChoose={(id) => tell({ type: 'toggled', id })}
        />
      ) : null}
      {plans && chosen.size > 0 ? (
        <ManyBar
          key={[...chosen].join(' ')}
          ids={[...chosen]}
          view={view}
          approves={approves}
          onDone={onDone}
          onLeave={() => tell({ type: 'chosen', ids: [] })}
        />
      ) : null}
    </>
  );
}

/** What the list is about, and where it leads. */
function Head({ view, plans }: { view: LensView; plans: boolean }) {
  const query = lensQuery(view.lens);
  return (
    <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
      <h1 className="text-3xl">Plan</h1>
      <p className="quiet">
        {view.lens.where
          ? `What counts in ${view.group?.name ?? view.store.name}`
          : 'Every promotion of the chain'}
      </p>
      {plans ? (
        <a href={`/plan/begin${query}`} className="btn btn-primary btn-sm ml-auto">
          New promotion
        </a>
      ) : null}
      <a href={`/plan/calendar${query}`} className={`btn btn-sm ${plans ? '' : 'ml-auto'}`}>
        Calendar
      </a>
      <a href={`/plan/order${query}`} className="btn btn-sm">
        Order and combinations
      </a>
      <a href={`/plan/week${query}`} className="btn btn-sm">
        The week in sum
      </a>
    </div>
  );
}

function DoneNote({
  done: { words, undo },
  onUndo,
}: {
  done: Done;
  onUndo: (undo: NonNullable<Done['undo']>) => void;
}) {
  return (
    <p className="mt-2 text-sm" role="status">
      {words}{' '}
      {undo ? (
        <button type="button" className="link" onClick={() => onUndo(undo)}>
          Undo
        </button>
      ) : null}
    </p>
  );
}

function whyNot(error: unknown): string {
  const { faults, message } = refusalOf(error);
  return faults[0]?.message ?? message;
}

const A_CODE = /^[a-z]*\d{4,}$/;

/** Promotions that touch the item whose number or barcode was typed. */
function useTouching(sought: string): ReadonlySet<string> {
  const { data } = useQuery({
    queryKey: ['touching', sought],
    queryFn: () => ask<{ ids: string[] }>(`/api/promotions/touching?code=${encodeURIComponent(sought)}`),
    enabled: A_CODE.test(sought),
  });
  return new Set(data?.ids ?? []);
}

/** The stores that the lens asks for, as the list's endpoint wants them. */
const placesOf = ({ lens, group, store }: LensView): string | null =>
  lens.where === null ? null : (group?.stores ?? [store.id]).join(',');
