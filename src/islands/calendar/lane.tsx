import { idInAddress } from '../../contracts/index.ts';
import { type CalendarLane, type LensView, lensQuery } from '../../contracts/view/index.ts';
import { monthDay, shortDate, weekdayName } from '../../ui/writing/index.ts';
import { Bar, type Pull } from './bar.tsx';
import { crowding, type Days, dateOf, laidOut, placeOf } from './days.ts';

/** The days, or the weeks where there are many, over the lanes. */
export function Heads({ days, at }: { days: Days; at: string }) {
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

/** The promotions of one lane over their days, and how many run at once. */
export function Lane({
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
