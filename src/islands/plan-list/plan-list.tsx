import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useMemo, useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type PromotionSummary } from '../../contracts/view/index.ts';
import { parseLocalDate } from '../../core/calendar/index.ts';
import { withoutDates } from '../../core/sentence/index.ts';
import { PHASES, type Phase, phaseOf } from '../../ui/phase.ts';
import { ChoiceRow, PhaseMark } from '../../ui/pieces/index.ts';
import { PHASE_WORDS } from '../../ui/words/index.ts';
import { saidCount, writing } from '../../ui/writing/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { Begin } from './begin.tsx';
import { ManyBar } from './many-bar.tsx';
import { RunBar, WeekHeads, weeksAround } from './run-bar.tsx';
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

type Kept = Phase | 'all' | 'open' | 'waiting';
const KEPT: readonly { kept: Kept; words: string }[] = [
  { kept: 'open', words: 'Not over' },
  { kept: 'waiting', words: 'Waits for approval' },
  ...PHASES.map((phase) => ({ kept: phase, words: PHASE_WORDS[phase] })),
  { kept: 'all', words: 'All' },
];
const isKept = ({ promotion, phase }: { promotion: PromotionSummary; phase: Phase }, kept: Kept) =>
  kept === 'all' ||
  phase === kept ||
  (kept === 'waiting' && promotion.waiting?.state === 'submitted') ||
  (kept === 'open' && phase !== 'over' && phase !== 'archived');

function List({ view, plans, approves }: PlanListProps) {
  const [kept, setKept] = useState<Kept>('open');
  const [text, setText] = useState('');
  const sought = useDeferredValue(text.trim().toLowerCase());
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [said, setSaid] = useState<React.ReactNode>('');
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
  const matching = all.filter(
    ({ promotion }) =>
      sought === '' ||
      touching.has(promotion.id) ||
      `${promotion.name} ${promotion.id} ${promotion.sentence}`.toLowerCase().includes(sought),
  );
  const shown = matching.filter((one) => isKept(one, kept));
  const query = lensQuery(view.lens);
  return (
    <>
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
      </div>
      {plans ? <Begin view={view} /> : null}
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <input
          type="search"
          data-search=""
          className="input input-sm w-64"
          placeholder="Name, goods, place, item number"
          aria-label="Find a promotion"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <ChoiceRow
          name="Which promotions"
          choices={KEPT.map((one) => ({
            value: one.kept,
            words: `${one.words} ${matching.filter((each) => isKept(each, one.kept)).length}`,
          }))}
          chosen={kept}
          onChoose={setKept}
        />
        <button
          type="button"
          className="link ml-auto text-sm"
          aria-pressed={rows.close}
          onClick={() => rows.setClose(!rows.close)}
        >
          {rows.close ? 'With their sentences' : 'One line each'}
        </button>
        {plans && shown.length > 0 ? (
          <span className="flex gap-3 text-sm">
            <button type="button" className="link" onClick={() => setChosen(new Set(shown.map(idOf)))}>
              Choose all shown
            </button>
            <button
              type="button"
              className="link"
              title="Every one that starts in the week of the lens, Monday to Sunday"
              onClick={() =>
                setChosen(new Set(all.filter(({ promotion }) => inWeekOf(promotion.from, view.at)).map(idOf)))
              }
            >
              Choose this week’s starts
            </button>
          </span>
        ) : null}
      </div>
      {said ? (
        <p className="mt-2 text-sm" role="status">
          {said}
        </p>
      ) : null}
      {error ? (
        <p role="alert" className="mt-6 border-error border-l-4 pl-3">
          {refusalOf(error).message}{' '}
          <button type="button" className="link" onClick={() => refetch()}>
            Try again
          </button>
        </p>
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
            <a className="link" href={`/plan/begin${query}`}>
              Make a promotion
            </a>
          ) : null}
        </p>
      ) : null}
      {shown.length > 0 ? (
        <Table
          rows={shown}
          close={rows.close}
          view={view}
          chosen={plans ? chosen : null}
          onChoose={(id) => setChosen((before) => toggled(before, id))}
        />
      ) : null}
      {plans && chosen.size > 0 ? (
        <ManyBar
          key={[...chosen].join(' ')}
          ids={[...chosen]}
          view={view}
          approves={approves}
          onDone={async (words, undo) => {
            const takeBack = async () => {
              setSaid(
                await undo().catch(
                  (refused) => refusalOf(refused).faults[0]?.message ?? refusalOf(refused).message,
                ),
              );
              await refetch();
            };
            setSaid(
              <>
                {words}{' '}
                <button type="button" className="link" onClick={takeBack}>
                  Undo
                </button>
              </>,
            );
            await refetch();
          }}
          onLeave={() => setChosen(new Set())}
        />
      ) : null}
    </>
  );
}

const idOf = ({ promotion }: { promotion: PromotionSummary }): string => promotion.id;

function toggled(chosen: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(chosen);
  if (!next.delete(id)) next.add(id);
  return next;
}

/** Whether a moment lies in the same week, Monday to Sunday, as another. */
function inWeekOf(moment: string, other: string): boolean {
  const weekOf = (text: string) => Math.floor((parseLocalDate(text.slice(0, 10))! + 3) / 7);
  return weekOf(moment) === weekOf(other);
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

/** Where what waits beside it stands. */
function WaitingWords({ waiting }: { waiting: PromotionSummary['waiting'] }) {
  if (!waiting) return null;
  const words = {
    written: waiting.change ? 'a change is written' : '',
    submitted: waiting.change ? 'a change waits' : 'submitted',
    'sent-back': waiting.change ? 'a change sent back' : 'sent back',
  } as const;
  return (
    <span className="block text-[13px] italic" title={waiting.reason ?? undefined}>
      {words[waiting.state]}
    </span>
  );
}

function Table({
  rows,
  close,
  view,
  chosen,
  onChoose,
}: {
  rows: readonly { promotion: PromotionSummary; phase: Phase }[];
  /** A line each, without the sentences. */
  close: boolean;
  view: LensView;
  /** Null: nothing can be chosen. */
  chosen: ReadonlySet<string> | null;
  onChoose: (id: string) => void;
}) {
  const weeks = weeksAround(view.at);
  const query = lensQuery(view.lens);
  return (
    <table className={`rows mt-3 table-fixed ${close ? 'rows-close' : ''}`}>
      <caption className="sr-only">Promotions</caption>
      <thead>
        <tr>
          {chosen ? (
            <th className="w-8">
              <span className="sr-only">Chosen</span>
            </th>
          ) : null}
          <th>Promotion</th>
          <th className="w-24 max-md:hidden">State</th>
          <th className="w-72 max-lg:hidden">
            <WeekHeads weeks={weeks} />
          </th>
          <th className="figure w-20 max-md:hidden">Stores</th>
          <th className="figure w-16 max-md:hidden">Priority</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ promotion, phase }) => (
          <tr key={promotion.id} className="[content-visibility:auto] hover:bg-base-200">
            {chosen ? (
              <td>
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  aria-label={`Choose ${promotion.name}`}
                  checked={chosen.has(promotion.id)}
                  onChange={() => onChoose(promotion.id)}
                />
              </td>
            ) : null}
            <td>
              <a className="font-medium hover:underline" href={`/plan/${idInAddress(promotion.id)}${query}`}>
                {promotion.name}
              </a>
              {close ? null : <Sentences of={promotion} />}
              <span className="text-sm md:hidden">
                <PhaseMark phase={phase} /> <WaitingWords waiting={promotion.waiting} />
              </span>
            </td>
            <td className="max-md:hidden">
              <PhaseMark phase={phase} />
              <WaitingWords waiting={promotion.waiting} />
            </td>
            <td className="max-lg:hidden">
              <RunBar promotion={promotion} phase={phase} weeks={weeks} at={view.at} brief={close} />
            </td>
            <td className="figure max-md:hidden">{saidCount(promotion.stores)}</td>
            <td className="figure max-md:hidden">{promotion.priority}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What it does; the dates stand beside it where there is room for them. */
function Sentences({ of: { sentence, from, to } }: { of: PromotionSummary }) {
  return (
    <>
      <span className="quiet line-clamp-2 text-sm md:line-clamp-1 lg:hidden" title={sentence}>
        {sentence}
      </span>
      <span className="quiet line-clamp-1 text-sm max-lg:hidden" title={sentence}>
        {withoutDates(sentence, { from, to: to ?? undefined }, writing())}
      </span>
    </>
  );
}
