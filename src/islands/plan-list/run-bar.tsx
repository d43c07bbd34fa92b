import type { PromotionSummary } from '../../contracts/view/index.ts';
import { DAY, dayNumber, formatLocalDate, parseLocalDate, parseWallTime } from '../../core/calendar/index.ts';
import type { Phase } from '../../ui/phase.ts';
import { monthDay, shortMoment } from '../../ui/writing/index.ts';

/** The weeks that the bars are drawn over; wall times in milliseconds. */
export interface Weeks {
  readonly from: number;
  readonly to: number;
  readonly starts: readonly string[];
}

const BEFORE = 7;
const SHOWN = 42;

export function weeksAround(at: string): Weeks {
  const first = parseLocalDate(at.slice(0, 10))! - BEFORE;
  const starts = Array.from({ length: SHOWN / 7 }, (_, i) => formatLocalDate(dayNumber(first + 7 * i)));
  return { from: first * DAY, to: (first + SHOWN) * DAY, starts };
}

export function WeekHeads({ weeks }: { weeks: Weeks }) {
  return (
    <span className="flex">
      <span className="sr-only">When it runs</span>
      {/* Every second week is named: six days side by side would touch. */}
      {weeks.starts
        .filter((_, week) => week % 2 === 0)
        .map((date) => (
          <span key={date} className="flex-1" aria-hidden="true">
            {monthDay(date)}
          </span>
        ))}
    </span>
  );
}

/** When a promotion runs, as a bar over the weeks; an open end runs off with an arrow. */
export function RunBar({
  promotion,
  phase,
  weeks,
  at,
  brief = false,
}: {
  promotion: PromotionSummary;
  phase: Phase;
  weeks: Weeks;
  at: string;
  /** The bar alone: its dates are told by the pointer. */
  brief?: boolean;
}) {
  const place = (wall: number) =>
    Math.min(100, Math.max(0, ((wall - weeks.from) / (weeks.to - weeks.from)) * 100));
  const from = parseWallTime(promotion.from)!;
  const to = promotion.to === null ? Number.POSITIVE_INFINITY : parseWallTime(promotion.to)!;
  const left = place(from);
  const right = place(to);
  const now = place(parseWallTime(at.slice(0, 16))!);
  const until = promotion.to === null ? 'with no end' : `to ${shortMoment(promotion.to, at)}`;
  const firm = phase === 'live' || phase === 'coming';
  return (
    <>
      <span className={brief ? 'sr-only' : 'quiet block whitespace-nowrap text-sm'}>
        {shortMoment(promotion.from, at)} {until}
      </span>
      <span
        className="relative block h-5"
        aria-hidden="true"
        title={`${shortMoment(promotion.from, at)} ${until}`}
      >
        <span className="absolute inset-y-0 w-px bg-primary" style={{ left: `${now}%` }} />
        {to <= weeks.from || from >= weeks.to ? (
          <span className="quiet absolute text-xs" style={to <= weeks.from ? { left: 4 } : { right: 0 }}>
            {to <= weeks.from ? '‹' : '›'}
          </span>
        ) : (
          <span
            className={`absolute top-1.5 h-2 ${firm ? 'bg-base-content/80' : 'border border-base-content/60 border-dashed'}`}
            style={{ left: `${left}%`, width: `max(3px, ${right - left}%)` }}
          />
        )}
        {promotion.to === null ? (
          <span className="absolute right-0 -mr-2 text-base-content/80 text-xs">›</span>
        ) : null}
      </span>
    </>
  );
}
