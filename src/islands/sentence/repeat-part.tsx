import { X } from 'lucide-react';
import { describeRule, WEEKDAYS, type Weekday } from '../../core/calendar/index.ts';
import type { WhenDocument } from '../../core/plan/index.ts';
import { durationWords } from '../../core/sentence/index.ts';
import { writing } from '../../ui/writing/index.ts';
import {
  lengthOf,
  type MonthDay,
  type RepeatChoice,
  readLength,
  readRepeat,
  repeatRule,
  UNITS,
  type Unit,
} from './repeat-rule.ts';

type Repeat = NonNullable<WhenDocument['repeat']>;
const NTH = { 1: 'first', 2: 'second', 3: 'third', 4: 'fourth', '-1': 'last' } as const;

/** The span that comes again and again between the start and the end of the whole. */
export function RepeatPart({
  repeat,
  from,
  onChange,
}: {
  repeat: Repeat;
  /** The start of the whole; tells what is likely meant. */
  from: string;
  onChange: (repeat: Repeat | undefined) => void;
}) {
  const choice = readRepeat(repeat.rrule);
  const put = (next: RepeatChoice) => onChange({ ...repeat, rrule: repeatRule(next) });
  return (
    <span className="hairline block space-y-1.5 border-t pt-2">
      <span className="flex items-center gap-1.5">
        Comes again every
        <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={() => onChange(undefined)}>
          <X size={14} aria-label="Do not repeat it" />
        </button>
      </span>
      {choice ? (
        <Choice choice={choice} from={from} onChange={put} />
      ) : (
        <span className="block">
          {describeRule(repeat.rrule)}
          <button
            type="button"
            className="link ml-2"
            onClick={() => put({ every: 'week', interval: 1, days: [] })}
          >
            choose anew
          </button>
        </span>
      )}
      <Length duration={repeat.duration} onChange={(duration) => onChange({ ...repeat, duration })} />
    </span>
  );
}

function Choice({
  choice,
  from,
  onChange,
}: {
  choice: RepeatChoice;
  from: string;
  onChange: (choice: RepeatChoice) => void;
}) {
  const { interval } = choice;
  const setEvery = (every: RepeatChoice['every']) => {
    if (every === 'day') onChange({ every, interval });
    else if (every === 'week') onChange({ every, interval, days: [] });
    else onChange({ every, interval, on: { kind: 'date', day: Number(from.slice(8, 10)) || 1 } });
  };
  return (
    <>
      <span className="flex items-center gap-1.5">
        <input
          type="number"
          min={1}
          max={52}
          className="input input-xs w-14"
          aria-label="Every how many"
          value={interval}
          onChange={(event) =>
            onChange({ ...choice, interval: Math.max(1, Number(event.target.value) || 1) })
          }
        />
        <select
          className="select select-xs w-auto"
          aria-label="Days, weeks or months"
          value={choice.every}
          onChange={(event) => setEvery(event.target.value as RepeatChoice['every'])}
        >
          {(['day', 'week', 'month'] as const).map((every) => (
            <option key={every} value={every}>
              {every}
              {interval > 1 ? 's' : ''}
            </option>
          ))}
        </select>
      </span>
      {choice.every === 'week' ? (
        <span className="flex flex-wrap gap-1">
          {WEEKDAYS.map((day) => (
            <DayButton
              key={day}
              day={day}
              pressed={choice.days.includes(day)}
              onPress={() =>
                onChange({
                  ...choice,
                  days: WEEKDAYS.filter((one) => choice.days.includes(one) !== (one === day)),
                })
              }
            />
          ))}
        </span>
      ) : null}
      {choice.every === 'month' ? (
        <OnDay on={choice.on} onChange={(on) => onChange({ ...choice, on })} />
      ) : null}
    </>
  );
}

export function DayButton({
  day,
  pressed,
  onPress,
}: {
  day: Weekday;
  pressed: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      className={`btn btn-xs px-1.5 ${pressed ? 'btn-neutral' : ''}`}
      onClick={onPress}
    >
      {writing().weekdays[day]}
    </button>
  );
}

function OnDay({ on, onChange }: { on: MonthDay; onChange: (on: MonthDay) => void }) {
  return (
    <span className="flex flex-wrap items-center gap-1.5">
      on
      <select
        className="select select-xs w-auto"
        aria-label="By date or by weekday"
        value={on.kind}
        onChange={(event) =>
          onChange(
            event.target.value === 'date'
              ? { kind: 'date', day: 1 }
              : { kind: 'weekday', nth: 1, day: 'sat' },
          )
        }
      >
        <option value="date">the day</option>
        <option value="weekday">the weekday</option>
      </select>
      {on.kind === 'date' ? (
        <input
          type="number"
          min={1}
          max={31}
          className="input input-xs w-14"
          aria-label="Day of the month"
          value={on.day}
          onChange={(event) =>
            onChange({ kind: 'date', day: Math.min(31, Math.max(1, Number(event.target.value) || 1)) })
          }
        />
      ) : (
        <>
          <select
            className="select select-xs w-auto"
            aria-label="Which one of the month"
            value={on.nth}
            onChange={(event) => onChange({ ...on, nth: Number(event.target.value) })}
          >
            {Object.entries(NTH).map(([nth, words]) => (
              <option key={nth} value={nth}>
                {words}
              </option>
            ))}
          </select>
          <select
            className="select select-xs w-auto"
            aria-label="Weekday"
            value={on.day}
            onChange={(event) => onChange({ ...on, day: event.target.value as Weekday })}
          >
            {WEEKDAYS.map((day) => (
              <option key={day} value={day}>
                {writing().weekdays[day]}
              </option>
            ))}
          </select>
        </>
      )}
    </span>
  );
}

function Length({ duration, onChange }: { duration: string; onChange: (duration: string) => void }) {
  const length = readLength(duration);
  if (!length) return <span className="block">each time for {durationWords(duration)}</span>;
  return (
    <span className="flex items-center gap-1.5">
      each time for
      <input
        type="number"
        min={1}
        max={999}
        className="input input-xs w-16"
        aria-label="How long each time"
        value={length.count}
        onChange={(event) => onChange(lengthOf(Math.max(1, Number(event.target.value) || 1), length.unit))}
      />
      <select
        className="select select-xs w-auto"
        aria-label="Hours, days or weeks"
        value={length.unit}
        onChange={(event) => onChange(lengthOf(length.count, event.target.value as Unit))}
      >
        {(Object.keys(UNITS) as Unit[]).map((unit) => (
          <option key={unit} value={unit}>
            {unit}
          </option>
        ))}
      </select>
    </span>
  );
}
