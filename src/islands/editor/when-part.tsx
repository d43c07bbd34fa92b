import { X } from 'lucide-react';
import { WEEKDAYS } from '../../core/calendar/index.ts';
import type { WhenDocument, WindowDocument } from '../../core/plan/index.ts';
import { DAYS } from '../../core/sentence/index.ts';

/** Start, end and hours, in the time of each store. */
export function WhenPart({ when, onChange }: { when: WhenDocument; onChange: (when: WhenDocument) => void }) {
  const { to, windows = [], ...rest } = when;
  const setTo = (next: string | undefined) =>
    onChange(next === undefined ? without(when, 'to') : { ...when, to: next });
  const setWindows = (next: WindowDocument[]) =>
    onChange(next.length === 0 ? without(when, 'windows') : { ...when, windows: next });
  return (
    <span className="block space-y-2 text-sm">
      <label className="block">
        Starts, in the time of each store
        <input
          type="datetime-local"
          className="input input-sm mt-0.5 w-full"
          value={rest.from}
          onChange={(event) => onChange({ ...when, from: event.target.value })}
        />
      </label>
      <label className="block">
        Ends; at this very minute it counts no more
        <input
          type="datetime-local"
          className="input input-sm mt-0.5 w-full"
          value={to ?? ''}
          disabled={to === undefined}
          onChange={(event) => setTo(event.target.value)}
        />
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={to === undefined}
          onChange={(event) => setTo(event.target.checked ? undefined : `${rest.from.slice(0, 10)}T20:00`)}
        />
        No end: it runs until somebody ends it
      </label>
      {windows.map((window, i) => (
        <Hours
          // biome-ignore lint/suspicious/noArrayIndexKey: a window is its place in the list.
          key={i}
          window={window}
          onChange={(next) => setWindows(windows.map((one, j) => (j === i ? next : one)))}
          onDrop={() => setWindows(windows.filter((_, j) => j !== i))}
        />
      ))}
      <button
        type="button"
        className="btn btn-xs"
        onClick={() => setWindows([...windows, { from: '16:00', to: '20:00' }])}
      >
        Only at certain hours
      </button>
      {when.repeat || when.except ? (
        <span className="quiet block">Its repeats and the days left out stay as they are.</span>
      ) : null}
    </span>
  );
}

function without<K extends keyof WhenDocument>(when: WhenDocument, key: K): WhenDocument {
  const { [key]: _, ...rest } = when;
  return rest as WhenDocument;
}

function Hours({
  window,
  onChange,
  onDrop,
}: {
  window: WindowDocument;
  onChange: (window: WindowDocument) => void;
  onDrop: () => void;
}) {
  const days = window.days ?? [...WEEKDAYS];
  const setDays = (next: WindowDocument['days']) => {
    const { days: _, ...hours } = window;
    onChange(next!.length === WEEKDAYS.length ? hours : { ...hours, days: next });
  };
  return (
    <span className="hairline block border-t pt-2">
      <span className="flex flex-wrap gap-1">
        {WEEKDAYS.map((day) => (
          <button
            key={day}
            type="button"
            aria-pressed={days.includes(day)}
            className={`btn btn-xs ${days.includes(day) ? 'btn-neutral' : ''}`}
            onClick={() => {
              const next = WEEKDAYS.filter((one) => (one === day) !== days.includes(one));
              if (next.length > 0) setDays(next);
            }}
          >
            {DAYS[day]}
          </button>
        ))}
      </span>
      <span className="mt-1 flex items-center gap-1">
        <input
          type="time"
          aria-label="From"
          className="input input-xs w-24"
          value={window.from}
          onChange={(event) => onChange({ ...window, from: event.target.value })}
        />
        to
        <input
          type="time"
          aria-label="To"
          className="input input-xs w-24"
          value={window.to === '24:00' ? '00:00' : window.to}
          onChange={(event) =>
            onChange({ ...window, to: event.target.value === '00:00' ? '24:00' : event.target.value })
          }
        />
        <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={onDrop}>
          <X size={14} aria-label="Take these hours away" />
        </button>
      </span>
    </span>
  );
}
