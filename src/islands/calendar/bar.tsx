import { useDraggable } from '@dnd-kit/core';
import type { CalendarBar } from '../../contracts/view/index.ts';
import type { Placed } from './days.ts';

export const GRIPS = ['move', 'start', 'end'] as const;
export type Grip = (typeof GRIPS)[number];

/** What is being dragged, and by how many days so far. */
export interface Pull {
  readonly id: string;
  readonly grip: Grip;
  readonly days: number;
}

export interface Dragged {
  readonly bar: CalendarBar;
  readonly grip: Grip;
}

/** A promotion over its days: taken in the middle it moves, taken at an end it is stretched. By keys too. */
export function Bar({
  placed: { bar, left, right, track },
  lane,
  count,
  pull,
  href,
  locked,
  phase,
}: {
  placed: Placed;
  lane: string;
  /** Days that are drawn. */
  count: number;
  pull: Pull | null;
  href: string;
  locked: boolean;
  phase: 'firm' | 'loose';
}) {
  const pulled = pull?.id === bar.id ? pull : null;
  const from = left + (pulled && pulled.grip !== 'end' ? pulled.days : 0);
  const to = right + (pulled && pulled.grip !== 'start' ? pulled.days : 0);
  const percent = (days: number) => `${(days / count) * 100}%`;
  const moves = !locked;
  return (
    <div
      className={`calendar-bar ${phase === 'firm' ? 'calendar-firm' : 'calendar-loose'} ${pulled ? 'calendar-pulled' : ''}`}
      style={{
        left: percent(from),
        width: percent(Math.max(0.15, to - from)),
        top: `${track * 1.75 + 0.15}rem`,
      }}
      title={bar.sentence}
    >
      {moves && left > 0 ? <Handle bar={bar} grip="start" lane={lane} /> : null}
      {moves ? (
        <Handle bar={bar} grip="move" lane={lane} href={href}>
          {bar.name}
        </Handle>
      ) : (
        <a className="truncate px-1" href={href}>
          {bar.name}
        </a>
      )}
      {bar.to === null ? <span className="ml-auto pr-1">no end ›</span> : null}
      {moves && bar.to !== null && right < count ? <Handle bar={bar} grip="end" lane={lane} /> : null}
    </div>
  );
}

const GRIP_WORDS: Readonly<Record<Grip, string>> = {
  move: 'move',
  start: 'change the start of',
  end: 'change the end of',
};

function Handle({
  bar,
  grip,
  lane,
  href,
  children,
}: {
  bar: CalendarBar;
  grip: Grip;
  lane: string;
  /** A press that moves nothing opens it. */
  href?: string;
  children?: React.ReactNode;
}) {
  const { attributes, listeners, setNodeRef } = useDraggable({
    id: `${grip} ${lane} ${bar.id}`,
    data: { bar, grip } satisfies Dragged,
  });
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      onClick={(event) => {
        // Keys take the bar; only a pointer's press comes with a count.
        if (href && event.detail > 0) location.assign(href);
      }}
      aria-label={`${bar.name}: ${GRIP_WORDS[grip]} it`}
      className={grip === 'move' ? 'calendar-name' : 'calendar-grip'}
    >
      {children}
    </button>
  );
}
