import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useReducer } from 'react';
import type { LensView, LoopholeCases, LoopholesView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { saidAmount, saidCount } from '../../ui/writing/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { Asked } from './asked.tsx';
import { AT_ONCE, FIRST, loopholesAfter, sureness, together } from './desk.ts';
import { LoopholeRow } from './loophole-row.tsx';

/** The baskets that leave the least, at the lens. */
export function Loopholes({ view, plans }: { view: LensView; plans: boolean }) {
  return (
    <WithServer>
      <Desk view={view} plans={plans} />
    </WithServer>
  );
}

/** Cases that are searched at a time. */
const SIDE_BY_SIDE = 2;

function Desk({ view, plans }: { view: LensView; plans: boolean }) {
  const [desk, tell] = useReducer(loopholesAfter, FIRST);
  const { cases, codes, error } = useCases(view);
  const begun = desk.begun || (cases.length > 0 && cases.length <= AT_ONCE);
  const answers = useSearches(view, cases, { ...desk, begun });
  const known = answers.map(({ data }) => data);
  const done = known.filter((answer) => answer !== undefined).length;
  const trouble = error ?? answers.find((answer) => answer.error)?.error;
  const found = together(cases, known);
  const losing = found.filter(({ loophole }) => loophole.loses);
  return (
    <>
      <Asked desk={desk} tell={tell} codes={codes} />
      {trouble ? (
        <Notice tone="trouble" className="mt-4">
          {refusalOf(trouble).message}
        </Notice>
      ) : null}
      <Progress
        {...{ begun, done }}
        cases={cases.length}
        waits={!error && cases.length === 0}
        onBegin={() => tell({ type: 'began' })}
        onStop={() => tell({ type: 'stopped' })}
      />
      {done > 0 ? <Sure answers={known} all={cases.length} units={desk.units} /> : null}
      {losing.length > 0 ? (
        <Found name="Leave less than nothing" {...{ found: losing, view, plans }} known={known} />
      ) : null}
      {done > 0 && losing.length === 0 ? (
        <p className="mt-6 text-xl">
          {found.length === 0
            ? 'There is nothing to look at: no good that is sold here by the piece has a cost.'
            : `No basket loses money${done < cases.length ? ' so far' : ''}.`}
        </p>
      ) : null}
      {found.length > losing.length ? (
        <Found
          name="Leave the least of all others"
          found={found.slice(losing.length, losing.length + OTHERS)}
          {...{ view, plans, known }}
        />
      ) : null}
    </>
  );
}

/** Baskets that lose nothing are told for comparison. */
const OTHERS = 5;

function Found({
  name,
  found,
  known,
  view,
  plans,
}: {
  name: string;
  found: ReturnType<typeof together>;
  known: readonly (LoopholesView | undefined)[];
  view: LensView;
  plans: boolean;
}) {
  const currency = known.find((answer) => answer)?.currency ?? '';
  return (
    <section aria-label={name} className="mt-6">
      <h2 className="text-xl">{name}</h2>
      <ul>
        {found.map((one) => (
          <LoopholeRow key={JSON.stringify(one.loophole.promotions)} {...{ one, currency, view, plans }} />
        ))}
      </ul>
    </section>
  );
}

function Progress({
  cases,
  done,
  begun,
  waits,
  onBegin,
  onStop,
}: {
  cases: number;
  done: number;
  begun: boolean;
  waits: boolean;
  onBegin: () => void;
  onStop: () => void;
}) {
  if (waits)
    return (
      <p className="quiet mt-5" role="status">
        Looking in which stores baskets come to the same …
      </p>
    );
  if (done === cases) return null;
  const of = `${saidCount(cases)} different ${cases === 1 ? 'store' : 'cases'}`;
  return (
    <p className="mt-5 flex flex-wrap items-center gap-x-4 gap-y-1" role="status">
      {begun ? (
        <>
          <progress className="progress w-40" value={done} max={cases} aria-label="Searched" />
          <span>
            Searching: {saidCount(done)} of {of}
          </span>
          {cases > AT_ONCE ? (
            <button type="button" className="btn btn-sm" onClick={onStop}>
              Stop
            </button>
          ) : null}
        </>
      ) : (
        <>
          <button type="button" className="btn btn-primary btn-sm" onClick={onBegin}>
            {done === 0 ? `Search ${of}` : 'Go on'}
          </button>
          <span className="quiet text-sm">
            Stores in which everything costs the same are one case; each takes a few seconds.
          </span>
        </>
      )}
    </p>
  );
}

function Sure({
  answers,
  all,
  units,
}: {
  answers: readonly (LoopholesView | undefined)[];
  all: number;
  units: number;
}) {
  const { cases, open, bound, baskets } = sureness(answers);
  const leftOut = answers.find((answer) => answer)?.leftOut ?? { withoutCost: 0, weighed: 0 };
  const words = [
    open === 0
      ? `Proved${cases < all ? ` where it was searched (${saidCount(cases)} of ${saidCount(all)})` : ''}: no basket of up to ${saidCount(units)} units leaves less than the first one.`
      : `Not proved everywhere: in ${saidCount(open)} of ${saidCount(cases)} cases a basket may leave as little as ${saidAmount(bound ?? '0')}.`,
    `${saidCount(baskets)} baskets were rung.`,
    leftOut.withoutCost > 0 ? `${saidCount(leftOut.withoutCost)} goods have no cost and are left out.` : '',
    leftOut.weighed > 0 ? 'Goods sold by weight are left out.' : '',
  ];
  return <p className="quiet mt-4 text-sm">{words.filter(Boolean).join(' ')}</p>;
}

function useCases(view: LensView) {
  const asked = new URLSearchParams({ at: view.at });
  if (view.lens.where) asked.set('where', view.lens.where);
  if (view.lens.shopper) asked.set('for', view.lens.shopper);
  if (view.lens.known) asked.set('known', view.lens.known);
  const { data, error } = useQuery({
    queryKey: ['loophole-cases', asked.toString()],
    queryFn: ({ signal }) => ask<LoopholeCases>(`/api/loopholes/cases?${asked}`, undefined, signal),
    staleTime: 60_000,
  });
  return { cases: data?.cases ?? [], codes: data?.codes ?? [], error };
}

/** Each case by its first store, some at a time; what is answered stays. */
function useSearches(
  view: LensView,
  cases: LoopholeCases['cases'],
  { units, codes, begun }: { units: number; codes: readonly string[]; begun: boolean },
) {
  const queries = cases.map(({ stores }) => {
    const asked = new URLSearchParams({ at: view.at, store: stores[0]!.id, units: String(units) });
    if (view.lens.shopper) asked.set('for', view.lens.shopper);
    if (view.lens.known) asked.set('known', view.lens.known);
    if (codes.length > 0) asked.set('codes', codes.toSorted().join(' '));
    return {
      queryKey: ['loopholes', asked.toString()],
      queryFn: ({ signal }: { signal: AbortSignal }) =>
        ask<LoopholesView>(`/api/loopholes?${asked}`, undefined, signal),
      staleTime: 60_000,
      retry: false,
    };
  });
  const client = useQueryClient();
  const over = queries.filter(
    ({ queryKey }) => (client.getQueryState(queryKey)?.status ?? 'pending') !== 'pending',
  );
  return useQueries({
    queries: queries.map((query, i) => ({ ...query, enabled: begun && i < over.length + SIDE_BY_SIDE })),
  });
}
