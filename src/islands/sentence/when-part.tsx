import { X } from 'lucide-react';
import { WEEKDAYS } from '../../core/calendar/index.ts';
import type { WhenDocument, WindowDocument } from '../../core/plan/index.ts';
import { saidClock } from '../../ui/writing/index.ts';
import { DayField } from '../days/index.ts';
import { DaysLeftOut } from './days-left-out.tsx';
import { DayButton, RepeatPart } from './repeat-part.tsx';

const WHOLE_DAY = { from: '00:00', to: '24:00' } as const;
const isWholeDay = ({ from, to }: WindowDocument): boolean => from === WHOLE_DAY.from && to === WHOLE_DAY.to;

const FIRST_REPEAT = { rrule: 'FREQ=WEEKLY;BYDAY=SA', duration: 'P1D' };

/** Between closing and opening; midnight itself is how a whole day ends. */
const isQuiet = (moment: string): boolean => {
  const time = moment.slice(11);
  return time > '22:00' || (time > '00:00' && time < '07:00');
};

/** Start, end and hours, in the time of each store. */
export function WhenPart({ when, onChange }: { when: WhenDocument; onChange: (when: WhenDocument) => void }) {
  const { to, windows = [], ...rest } = when;
  const setTo = (next: string | undefined) =>
    onChange(next === undefined ? without(when, 'to') : { ...when, to: next });
  const setWindows = (next: WindowDocument[]) =>
    onChange(next.length === 0 ? without(when, 'windows') : { ...when, windows: next });
  return (
    <span className="block space-y-2 text-sm">
      <DayField
        label="Starts, in the time of each store"
        hours
        value={rest.from}
        onChange={(from) => onChange({ ...when, from })}
      />
      <DayField
        label="Ends; at this very minute it counts no more"
        hours
        value={to ?? ''}
        disabled={to === undefined}
        onChange={setTo}
      />
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
      <button
        type="button"
        className="btn btn-xs ml-1"
        onClick={() => setWindows([...windows, { days: ['fri', 'sat'], ...WHOLE_DAY }])}
      >
        Only on certain weekdays
      </button>
      {when.repeat ? (
        <RepeatPart
          repeat={when.repeat}
          from={when.from}
          onChange={(repeat) => onChange(repeat ? { ...when, repeat } : without(when, 'repeat'))}
        />
      ) : (
        <button
          type="button"
          className="btn btn-xs ml-1"
          onClick={() => onChange({ ...when, repeat: FIRST_REPEAT })}
        >
          Again and again
        </button>
      )}
      <DaysLeftOut
        days={when.except ?? []}
        onChange={(days) => onChange(days.length > 0 ? { ...when, except: days } : without(when, 'except'))}
      />
      {to !== undefined && isQuiet(to) ? (
        <span className="block">
          It ends at {saidClock(to.slice(11))}, an hour at which hardly anybody shops.{' '}
          <button type="button" className="link" onClick={() => setTo(`${to.slice(0, 10)}T20:00`)}>
            End it at {saidClock('20:00')}
          </button>
        </span>
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
          <DayButton
            key={day}
            day={day}
            pressed={days.includes(day)}
            onPress={() => {
              const next = WEEKDAYS.filter((one) => (one === day) !== days.includes(one));
              if (next.length > 0) setDays(next);
            }}
          />
        ))}
      </span>
      <label className="mt-1 flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={isWholeDay(window)}
          onChange={(event) =>
            onChange({ ...window, ...(event.target.checked ? WHOLE_DAY : { from: '16:00', to: '20:00' }) })
          }
        />
        The whole day
      </label>
      <span className="mt-1 flex items-center gap-1">
        <input
          type="time"
          aria-label="From"
          disabled={isWholeDay(window)}
          className="input input-xs w-24"
          value={window.from}
          onChange={(event) => onChange({ ...window, from: event.target.value })}
        />
        to
        <input
          type="time"
          aria-label="To"
          disabled={isWholeDay(window)}
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
