import { type KeyboardEvent, useEffect, useRef } from 'react';
import type { LensView, TimelineRow, TimelineStep, TimelineView } from '../../contracts/view/index.ts';
import { monthDay, saidAmount, saidCount, shortMoment } from '../../ui/writing/index.ts';
import { type TimelineDesk, type TimelineEvent, wentBy } from './desk.ts';
import { barOf, marksOf, placeOf } from './places.ts';

/** The rows as lanes over time: a step is as long as it lasts, one that a promotion makes is filled. */
export function Lanes({
  timeline,
  desk,
  tell,
  view,
}: {
  timeline: TimelineView;
  desk: TimelineDesk;
  tell: (event: TimelineEvent) => void;
  view: LensView;
}) {
  const board = useRef<HTMLDivElement>(null);
  const moved = useRef(false);
  useEffect(() => {
    if (!moved.current) return;
    moved.current = false;
    board.current?.querySelector<HTMLElement>('[tabindex="0"]')?.focus();
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const next = wentBy(event.key, desk, timeline.rows);
    if (!next || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    moved.current = true;
    tell({ type: 'went', ...next });
  };
  return (
    <section ref={board} aria-label="Prices over time" className="mt-4 max-h-[52vh] overflow-y-auto">
      <div className="timeline-lane sticky top-0 z-20 bg-base-100 text-[13px]" aria-hidden="true">
        <span />
        <span className="relative h-6">
          {marksOf(timeline).map((date) => (
            <span
              key={date}
              className="quiet absolute pl-1"
              style={{ left: `${placeOf(`${date}T00:00`, timeline)}%` }}
            >
              {monthDay(date)}
            </span>
          ))}
        </span>
      </div>
      {timeline.rows.map((row, r) => (
        <div key={`${row.sku} ${row.stores[0]?.id}`} className="timeline-lane hairline border-t">
          <RowHead row={row} of={timeline.of} />
          <ol aria-label={headWords(row, timeline.of)} className="relative h-9">
            {row.steps.map((step, s) => (
              <Step
                key={step.from}
                step={step}
                timeline={timeline}
                view={view}
                here={desk.row === r && desk.step === s}
                onGo={() => tell({ type: 'went', row: r, step: s })}
                onKeyDown={onKeyDown}
              />
            ))}
            <li
              className="timeline-now"
              aria-hidden="true"
              style={{ left: `${placeOf(view.at, timeline)}%` }}
            />
          </ol>
        </div>
      ))}
    </section>
  );
}

const headWords = ({ name, stores }: TimelineRow, of: TimelineView['of']): string =>
  of === 'group' ? name : stores.length === 1 ? stores[0]!.name : `${saidCount(stores.length)} stores`;

const RowHead = ({ row, of }: { row: TimelineRow; of: TimelineView['of'] }) => (
  <span className="truncate py-2 pr-3 text-sm" title={row.stores.map(({ name }) => name).join(', ')}>
    {headWords(row, of)}
  </span>
);

/** Percent of the width below which a price is not written into its step. */
const WRITTEN = 4;

function Step({
  step,
  timeline,
  view,
  here,
  onGo,
  onKeyDown,
}: {
  step: TimelineStep;
  timeline: TimelineView;
  view: LensView;
  here: boolean;
  onGo: () => void;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  const { left, width } = barOf(step, timeline);
  const { price, promotion, others } = step;
  const look = price === null ? 'timeline-gap' : promotion ? 'timeline-promoted' : 'timeline-regular';
  return (
    <li className="timeline-place" style={{ left: `${left}%`, width: `${width}%` }}>
      <button
        type="button"
        tabIndex={here ? 0 : -1}
        aria-pressed={here}
        aria-label={stepWords(step, view.now)}
        title={stepWords(step, view.now)}
        className={`timeline-step ${look}`}
        onFocus={here ? undefined : onGo}
        onClick={onGo}
        onKeyDown={onKeyDown}
      >
        {width > WRITTEN ? (price === null ? 'not sold' : saidAmount(price)) : ''}
        {others.length > 1 ? <sup className="ml-0.5">+{others.length}</sup> : null}
      </button>
    </li>
  );
}

function stepWords({ from, to, price, promotion, others }: TimelineStep, near: string): string {
  const what = price === null ? 'not sold' : saidAmount(price);
  const by = promotion ? ` through ${promotion.name}` : '';
  const more = others.length > 0 ? `; ${others.map(({ name }) => name).join(', ')} would price it too` : '';
  return `${shortMoment(from, near)} to ${shortMoment(to, near)}: ${what}${by}${more}`;
}
