import { type Active, type Announcements, DndContext } from '@dnd-kit/core';
import { useQuery } from '@tanstack/react-query';
import { useReducer, useRef } from 'react';
import { type CalendarLane, LANES_BY, type LanesBy, type LensView } from '../../contracts/view/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { ChoiceRow, Notice } from '../../ui/pieces/index.ts';
import { shortMoment } from '../../ui/writing/index.ts';
import { ask, refusalOf, WithServer } from '../server/index.ts';
import type { Dragged } from './bar.tsx';
import { Beside } from './beside.tsx';
import { daysFrom } from './days.ts';
import { CALENDAR_DESK, type CalendarSaid, calendarAfter } from './desk.ts';
import { Heads, Lane } from './lane.tsx';
import { usePulling } from './use-pulling.ts';

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
  const [desk, tell] = useReducer(calendarAfter, CALENDAR_DESK);
  const { by, weeks, pull, opened, said } = desk;
  const board = useRef<HTMLDivElement>(null);
  const days = daysFrom(view.at, weeks);
  const { data, error, refetch } = useQuery({
    queryKey: ['calendar', by],
    queryFn: () => ask<CalendarLane[]>(`/api/promotions/calendar?by=${by}`),
  });
  const { onUndo, ...pulling } = usePulling(board, days.count, tell, refetch);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <ChoiceRow
          name="Lanes"
          choices={LANES_BY.map((value) => ({ value, words: BY_WORDS[value] }))}
          chosen={by}
          onChoose={(next) => tell({ type: 'laned', by: next })}
        />
        <ChoiceRow
          name="How far"
          choices={SPANS.map((span) => ({ value: span.weeks as number, words: span.words }))}
          chosen={weeks}
          onChoose={(next) => tell({ type: 'spanned', weeks: next })}
        />
        <a className="link ml-auto text-sm" href="/api/promotions.ics" download="promotions.ics">
          Take it to your own calendar
        </a>
      </div>
      <p className="mt-2 min-h-6 text-sm" role="status">
        <Said said={said} near={view.at} plans={plans} onUndo={onUndo} />
      </p>
      {error ? (
        <Notice tone="trouble" className="mt-4">
          {refusalOf(error).message}
        </Notice>
      ) : null}
      <DndContext
        autoScroll={false}
        accessibility={{ announcements: ANNOUNCEMENTS, screenReaderInstructions: INSTRUCTIONS }}
        {...pulling}
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

/** What was done last, or how a bar is moved. */
function Said({
  said,
  near,
  plans,
  onUndo,
}: {
  said: CalendarSaid;
  near: string;
  plans: boolean;
  onUndo: (before: PromotionDocument, revision: number) => void;
}) {
  if (said.kind === 'words') return said.words;
  if (said.kind === 'nothing')
    return plans ? (
      <span className="quiet">
        Drag a bar to move it, its ends to stretch it; with keys: space, then the arrows.
      </span>
    ) : null;
  const { before, after, revision, waits } = said;
  const { from, to } = after.when;
  return (
    <>
      {before.name} {waits ? 'would run' : 'now runs'} from {shortMoment(from, near)}{' '}
      {to ? `to ${shortMoment(to, near)}` : 'with no end'}
      {waits ? ' once that is approved; until then it goes on as it is' : ''}.{' '}
      <button type="button" className="link" onClick={() => onUndo(before, revision)}>
        Undo
      </button>
    </>
  );
}
