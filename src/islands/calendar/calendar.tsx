import {
  type Active,
  type Announcements,
  DndContext,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import {
  type CalendarLane,
  LANES_BY,
  type LanesBy,
  type LensView,
  lensQuery,
  type OpenedPromotion,
} from '../../contracts/view/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { ChoiceRow } from '../../ui/pieces/index.ts';
import { monthDay, shortDate, shortMoment, weekdayName } from '../../ui/writing/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import { Bar, type Dragged, type Pull } from './bar.tsx';
import { Beside } from './beside.tsx';
import { crowding, type Days, dateOf, daysFrom, laidOut, placeOf } from './days.ts';
import { pulled } from './pulled.ts';

interface CalendarProps {
  readonly view: LensView;
  readonly plans: boolean;
}

export function Calendar(props: CalendarProps) {
  return (
    <WithServer>
      <Desk {...props} />
    </WithServer>
  );
}

/** What is moved: the change that waits, where there is one, else what stands. */
export interface Opened {
  readonly promotion: PromotionDocument;
  readonly revision: number;
}

async function open(id: string): Promise<Opened> {
  const { promotion, change, revision } = await ask<OpenedPromotion>(`/api/promotions/${idInAddress(id)}`);
  return { promotion: change?.promotion ?? promotion, revision };
}

const nameOf = (active: Active): string => (active.data.current as Dragged).bar.name;

/** What a screen reader hears; where it would stand is told by the panel beside. */
const ANNOUNCEMENTS: Announcements = {
  onDragStart: ({ active }) => `${nameOf(active)} is held.`,
  onDragOver: () => undefined,
  onDragEnd: ({ active }) => `${nameOf(active)} is let go.`,
  onDragCancel: ({ active }) => `${nameOf(active)} is left where it was.`,
};
const INSTRUCTIONS = {
  draggable:
    'Press space to take it, the arrows left and right for a day, up and down for a week, space to let it go, Escape to leave it where it was.',
};

const BY_WORDS: Readonly<Record<LanesBy, string>> = { group: 'By store group', department: 'By department' };
const SPANS = [
  { weeks: 5, words: '5 weeks' },
  { weeks: 13, words: '3 months' },
  { weeks: 26, words: '6 months' },
] as const;

function Desk({ view, plans }: CalendarProps) {
  const [by, setBy] = useState<LanesBy>('group');
  const [weeks, setWeeks] = useState<number>(5);
  const [pull, setPull] = useState<Pull | null>(null);
  const [opened, setOpened] = useState<Opened | null>(null);
  // A bar may be let go before its promotion is here.
  const opening = useRef<Promise<Opened> | null>(null);
  const [said, setSaid] = useState<React.ReactNode>('');
  const board = useRef<HTMLDivElement>(null);
  const days = daysFrom(view.at, weeks);
  const { data, error, refetch } = useQuery({
    queryKey: ['calendar', by],
    queryFn: () => ask<CalendarLane[]>(`/api/promotions/calendar?by=${by}`),
  });
  const dayWidth = () => (board.current?.clientWidth ?? days.count) / days.count;
  // By keys a bar goes day by day, counted from where it was taken: the bar itself moves along while it is held.
  const taken = useRef<{ x: number; y: number; days: number } | null>(null);
  const byDays: KeyboardCoordinateGetter = (event, { currentCoordinates: { x, y } }) => {
    const steps: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };
    const step = steps[event.code];
    if (step === undefined) return undefined;
    event.preventDefault();
    const from = taken.current ?? { x, y, days: 0 };
    taken.current = { ...from, days: from.days + step };
    return { x: from.x + taken.current.days * dayWidth(), y: from.y };
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byDays }),
  );

  async function save(promotion: PromotionDocument, revision: number) {
    const path = `/api/promotions/${idInAddress(promotion.id)}`;
    const body = { promotion, revision };
    const saved = await ask<{ revision: number; waits: boolean }>(path, { method: 'PUT', body });
    await refetch();
    return saved;
  }

  // What counts is what was pressed and drawn, not how far the picture has followed.
  async function letGo({ active, delta }: DragEndEvent): Promise<void> {
    const { bar, grip } = active.data.current as Dragged;
    const days = taken.current?.days ?? Math.round(delta.x / dayWidth());
    const now: Pull = { id: bar.id, grip, days };
    const asked = opening.current;
    setPull(null);
    if (!asked || days === 0) return;
    try {
      const before = await asked;
      const next = pulled(before.promotion, now);
      if ('fault' in next) return setSaid(next.fault);
      const { revision, waits } = await save(next.promotion, before.revision);
      const { from, to } = next.promotion.when;
      setSaid(
        <>
          {before.promotion.name} {waits ? 'would run' : 'now runs'} from {shortMoment(from, view.at)}{' '}
          {to ? `to ${shortMoment(to, view.at)}` : 'with no end'}
          {waits ? ' once that is approved; until then it goes on as it is' : ''}.{' '}
          <button
            type="button"
            className="link"
            onClick={async () => {
              try {
                await save(before.promotion, revision);
                setSaid('Back where it was.');
              } catch (refused) {
                setSaid(refusalOf(refused).message);
              }
            }}
          >
            Undo
          </button>
        </>,
      );
    } catch (refused) {
      const { message, faults } = refusalOf(refused);
      setSaid(`${message} ${faults.map((fault) => fault.message).join('; ')}`);
      await refetch();
    }
  }

  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <ChoiceRow
          name="Lanes"
          choices={LANES_BY.map((value) => ({ value, words: BY_WORDS[value] }))}
          chosen={by}
          onChoose={setBy}
        />
        <ChoiceRow
          name="How far"
          choices={SPANS.map((span) => ({ value: span.weeks, words: span.words }))}
          chosen={weeks}
          onChoose={setWeeks}
        />
        <a className="link ml-auto text-sm" href="/api/promotions.ics" download="promotions.ics">
          Take it to your own calendar
        </a>
      </div>
      <p className="mt-2 min-h-6 text-sm" role="status">
        {said ||
          (plans ? (
            <span className="quiet">
              Drag a bar to move it, its ends to stretch it; with keys: space, then the arrows.
            </span>
          ) : (
            ''
          ))}
      </p>
      {error ? (
        <p role="alert" className="mt-4 border-error border-l-4 pl-3">
          {refusalOf(error).message}
        </p>
      ) : null}
      <DndContext
        sensors={sensors}
        autoScroll={false}
        accessibility={{ announcements: ANNOUNCEMENTS, screenReaderInstructions: INSTRUCTIONS }}
        onDragStart={async ({ active }) => {
          const { bar, grip } = active.data.current as Dragged;
          taken.current = null;
          setSaid('');
          setOpened(null);
          setPull({ id: bar.id, grip, days: 0 });
          opening.current = open(bar.id);
          // Where it cannot be opened, letting go says why.
          await opening.current.then(setOpened, () => {});
        }}
        onDragMove={({ delta }) =>
          setPull((before) => before && { ...before, days: Math.round(delta.x / dayWidth()) })
        }
        onDragCancel={() => setPull(null)}
        onDragEnd={letGo}
      >
        <div className="overflow-x-auto">
          <div className="grid min-w-[60rem] grid-cols-[8.5rem_minmax(0,1fr)] text-sm">
            <span />
            <div ref={board}>
              <Heads days={days} at={view.at} />
            </div>
            {(data ?? []).map((lane) => (
              <Lane key={lane.id} lane={lane} days={days} view={view} pull={pull} locked={!plans} />
            ))}
          </div>
        </div>
      </DndContext>
      {!data && !error ? <p className="quiet mt-4">Reading the plan …</p> : null}
      {pull && opened ? <Beside opened={opened} pull={pull} view={view} /> : null}
    </>
  );
}

function Heads({ days, at }: { days: Days; at: string }) {
  const weekly = days.count > 40;
  const step = weekly ? 7 : 1;
  const heads = Array.from({ length: Math.ceil(days.count / step) }, (_, i) => dateOf(days, i * step));
  return (
    <div className="flex border-base-content border-b" aria-hidden="true">
      {heads.map((date) => (
        <span
          key={date}
          className={`quiet flex-1 border-base-300 border-l pl-0.5 text-xs leading-tight ${date === at.slice(0, 10) ? 'bg-accent font-semibold text-accent-content' : ''}`}
        >
          {weekly ? (
            monthDay(date)
          ) : (
            <>
              <span className="block">{weekdayName(date)}</span>
              {Number(date.slice(8))}
            </>
          )}
        </span>
      ))}
    </div>
  );
}

function Lane({
  lane,
  days,
  view,
  pull,
  locked,
}: {
  lane: CalendarLane;
  days: Days;
  view: LensView;
  pull: Pull | null;
  locked: boolean;
}) {
  const { placed, tracks } = laidOut(lane.bars, days);
  const counts = crowding(lane.bars, days);
  const most = Math.max(...counts);
  const now = (placeOf(view.at, days) / days.count) * 100;
  return (
    <>
      <div className="border-base-300 border-b py-1 pr-2">
        <strong className="font-medium">{lane.name}</strong>
        <span className="quiet block text-xs">
          {most === 0 ? 'nothing in these days' : `up to ${most} at once, ${gapWords(counts)}`}
        </span>
      </div>
      <section
        aria-label={lane.name}
        className="relative border-base-300 border-b"
        style={{ minHeight: `${tracks * 1.75 + 1}rem` }}
      >
        <span className="absolute inset-x-0 bottom-0 flex h-2.5 items-end" aria-hidden="true">
          {counts.map((count, day) => (
            <span
              key={dateOf(days, day)}
              title={`${shortDate(dateOf(days, day), view.at)}: ${count}`}
              className={`flex-1 ${count === 0 ? 'h-px bg-error' : 'bg-base-content/25'}`}
              style={count === 0 ? undefined : { height: `${(count / Math.max(most, 4)) * 100}%` }}
            />
          ))}
        </span>
        <span className="absolute inset-y-0 w-px bg-primary" style={{ left: `${now}%` }} aria-hidden="true" />
        {placed.map((one) => (
          <Bar
            key={one.bar.id}
            placed={one}
            lane={lane.id}
            count={days.count}
            pull={pull}
            href={`/plan/${idInAddress(one.bar.id)}${lensQuery(view.lens)}`}
            locked={locked}
            phase={one.bar.status === 'approved' ? 'firm' : 'loose'}
          />
        ))}
      </section>
    </>
  );
}

function gapWords(counts: readonly number[]): string {
  const empty = counts.filter((count) => count === 0).length;
  if (empty === 0) return 'no day without';
  return `${empty} ${empty === 1 ? 'day' : 'days'} without`;
}
