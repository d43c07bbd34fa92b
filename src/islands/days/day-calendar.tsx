import { useQuery } from '@tanstack/react-query';
import { createContext, useContext, useMemo, useState } from 'react';
import { DayButton, type DayButtonProps, DayPicker } from 'react-day-picker';
import type { PromotionSummary } from '../../contracts/view/index.ts';
import { writing } from '../../ui/writing/index.ts';
import { ask } from '../server/index.ts';
import { dateOfIso, isoOf, runningOn } from './running-days.ts';

const NAMED = 5;
/** A day with so many is as full as a day is drawn. */
const FULL = 40;

/** The names of what runs on a day. */
const Running = createContext<(date: Date) => readonly string[]>(() => []);
const COMPONENTS = { DayButton: Day };

const said = (date: Date, as: Intl.DateTimeFormatOptions): string =>
  new Intl.DateTimeFormat(writing().language, as).format(date);
const DAY_WORDS = { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' } as const;

/** A month to pick a day in, with how much runs on each; by mouse, or by arrows, Page Up and Page Down. */
export function DayCalendar({ chosen, onPick }: { chosen: string; onPick: (day: string) => void }) {
  const { data: promotions = [] } = useQuery({
    queryKey: ['promotions', null],
    queryFn: () => ask<PromotionSummary[]>('/api/promotions'),
  });
  const selected = dateOfIso(chosen) ?? undefined;
  const [looked, setLooked] = useState<Date>(selected ?? new Date());
  const [month, setMonth] = useState<Date>(selected ?? new Date());
  const running = useMemo(() => {
    const known = new Map<string, string[]>();
    return (date: Date) => {
      const day = isoOf(date);
      const names = known.get(day) ?? runningOn(promotions, day);
      known.set(day, names);
      return names;
    };
  }, [promotions]);
  const names = running(looked);
  return (
    <span className="day-calendar block">
      <Running value={running}>
        <DayPicker
          mode="single"
          required
          autoFocus
          weekStartsOn={1}
          showOutsideDays
          month={month}
          onMonthChange={setMonth}
          selected={selected}
          onSelect={(date) => onPick(isoOf(date))}
          onDayFocus={setLooked}
          onDayMouseEnter={setLooked}
          formatters={{
            formatCaption: (date) => said(date, { month: 'long', year: 'numeric' }),
            formatWeekdayName: (date) => said(date, { weekday: 'short' }),
          }}
          labels={{
            labelGrid: (date) => said(date, { month: 'long', year: 'numeric' }),
            labelWeekday: (date) => said(date, { weekday: 'long' }),
            labelDayButton: (date) => `${said(date, DAY_WORDS)}, ${countWords(running(date).length)}`,
          }}
          components={COMPONENTS}
        />
      </Running>
      <span className="block min-h-16 text-[13px]" aria-hidden="true">
        <strong className="font-medium">
          {said(looked, { weekday: 'short', day: 'numeric', month: 'short' })}: {countWords(names.length)}
        </strong>
        {names.length > 0 ? (
          <span className="quiet block">
            {names.slice(0, NAMED).join(', ')}
            {names.length > NAMED ? ` and ${names.length - NAMED} more` : ''}
          </span>
        ) : null}
      </span>
    </span>
  );
}

const countWords = (count: number): string =>
  count === 0 ? 'nothing runs' : `${count} ${count === 1 ? 'promotion runs' : 'promotions run'}`;

function Day({ children, ...props }: DayButtonProps) {
  const count = useContext(Running)(props.day.date).length;
  return (
    <DayButton {...props}>
      {children}
      <span
        className="day-load"
        style={{ width: `${(Math.min(count, FULL) / FULL) * 80}%` }}
        aria-hidden="true"
      />
    </DayButton>
  );
}
