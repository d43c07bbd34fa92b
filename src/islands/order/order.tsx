import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useReducer, useState } from 'react';
import type { LensView, OrderView } from '../../contracts/view/index.ts';
import { ChoiceRow, Notice } from '../../ui/pieces/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { ask, readAnew, refusalOf, useLeaveWarning, WithServer } from '../server/index.ts';
import { Combinations } from './combinations.tsx';
import { changesOf, type OrderDesk, type OrderEvent, orderAfter, orderDesk } from './desk.ts';
import { EffectBeside } from './effect-beside.tsx';
import { OrderList } from './order-list.tsx';

/** How the promotions of a day stand to each other: who goes first, and who goes with whom. */
export function Order({ view, plans }: { view: LensView; plans: boolean }) {
  return (
    <WithServer>
      <Fetched view={view} plans={plans} />
    </WithServer>
  );
}

function useOrder(view: LensView) {
  const asked = new URLSearchParams({ at: view.at });
  if (view.lens.where) asked.set('where', view.lens.where);
  return useQuery({
    queryKey: ['order', asked.toString()],
    queryFn: ({ signal }) => ask<OrderView>(`/api/promotions/order?${asked}`, undefined, signal),
    refetchOnWindowFocus: false,
  });
}

function Fetched({ view, plans }: { view: LensView; plans: boolean }) {
  const { data, error } = useOrder(view);
  if (error)
    return (
      <Notice tone="trouble" className="mt-4">
        {refusalOf(error).message}
      </Notice>
    );
  if (!data)
    return (
      <p className="quiet mt-5" role="status">
        Looking which promotions count on this day …
      </p>
    );
  if (data.promotions.length === 0) return <p className="quiet mt-5">No promotion counts on this day.</p>;
  return <Desk first={data} view={view} plans={plans} />;
}

const LOOKS = [
  { value: 'order', words: 'Who goes first' },
  { value: 'together', words: 'Who goes with whom' },
] as const;
type Look = (typeof LOOKS)[number]['value'];

function Desk({ first, view, plans }: { first: OrderView; view: LensView; plans: boolean }) {
  const [desk, tell] = useReducer(orderAfter, orderDesk(first));
  const [look, setLook] = useState<Look>('order');
  const changes = changesOf(desk);
  useLeaveWarning(changes.length > 0);
  useEffect(() => tell({ type: 'came', view: first }), [first]);
  const save = useSave(desk, tell);
  return (
    <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 xl:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
      <div className="min-w-0">
        <ChoiceRow name="What is looked at" choices={LOOKS} chosen={look} onChoose={setLook} />
        {look === 'order' ? (
          <OrderList desk={desk} tell={tell} view={view} plans={plans} />
        ) : (
          <Combinations desk={desk} tell={tell} view={view} plans={plans} />
        )}
      </div>
      <div className="min-w-0 xl:sticky xl:top-4 xl:self-start xl:border-base-300 xl:border-l xl:pl-7">
        <h2 className="text-xl">What it would do</h2>
        <Said desk={desk} />
        {changes.length === 0 ? (
          <p className="quiet mt-2 text-sm">
            {plans
              ? 'Move a promotion, or press a cell: what that does to prices and kept baskets stands here before it is saved.'
              : 'Whoever plans can change how promotions stand to each other.'}
          </p>
        ) : (
          <>
            <p className="mt-3 flex flex-wrap gap-3">
              <button
                type="button"
                className="btn btn-primary btn-sm"
                disabled={desk.saving === 'saving'}
                onClick={save}
              >
                Save {changes.length === 1 ? 'one promotion' : `${saidCount(changes.length)} promotions`}
              </button>
              <button type="button" className="btn btn-sm" onClick={() => tell({ type: 'put-aside' })}>
                As it was
              </button>
            </p>
            <EffectBeside changes={changes} view={view} />
          </>
        )}
      </div>
    </div>
  );
}

function Said({ desk: { saving } }: { desk: OrderDesk }) {
  if (typeof saving === 'string') return null;
  return 'saved' in saving ? (
    <Notice tone="news" className="mt-3">
      {saving.saved}
    </Notice>
  ) : (
    <Notice tone="trouble" className="mt-3">
      {saving.refused}
    </Notice>
  );
}

interface Written {
  readonly changed: number;
  readonly waiting: number;
}

function useSave(desk: OrderDesk, tell: (event: OrderEvent) => void): () => Promise<void> {
  const client = useQueryClient();
  return async () => {
    tell({ type: 'saving' });
    try {
      const body = { changes: changesOf(desk) };
      const { changed, waiting } = await ask<Written>('/api/promotions/standing', { method: 'POST', body });
      const words =
        waiting > 0 ? 'Written beside what is approved: submit it, and it counts once approved.' : 'Saved.';
      tell({
        type: 'saved',
        words: `${saidCount(changed)} ${changed === 1 ? 'promotion' : 'promotions'}. ${words}`,
      });
      await readAnew(client, { queryKey: ['order'] });
    } catch (error) {
      const { message, faults } = refusalOf(error);
      tell({ type: 'refused', words: [message, ...faults.map((fault) => fault.message)].join(' ') });
    }
  };
}
